<?php

declare(strict_types=1);

namespace App\Models;

use App\Infrastructure\PostgresArray;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\Grouping;
use WideQuarry\Json\Json;

/**
 * @property string $id
 * @property string|null $user_id
 * @property string $title
 * @property string $state
 * @property string|null $problem
 * @property bool $stop_asked
 * @property string|null $bank_id
 * @property string|null $new_bank
 * @property string $folder a PostgreSQL array
 * @property 'skip'|'add'|'replace' $duplicates
 * @property bool $regroup whether groups of the source become folders
 * @property string $group_names JSON: group → what it is to be called
 * @property string $pattern how folders are called after what is in them; '' for none
 * @property string $folder_names JSON: folder as the pattern calls it → its name
 * @property string $statements JSON: what the old system is said to have had
 * @property bool $chooses whether somebody is to choose parts of its packages before they are read
 * @property bool $gathers whether the kept sources of its bank are still to become its files
 * @property string|null $operation_id
 * @property string $made JSON
 * @property \Illuminate\Support\Carbon $created_at
 * @property \Illuminate\Support\Carbon $updated_at
 * @property Bank|null $bank
 */
final class Intake extends Model
{
    use HasUuids;

    protected $guarded = [];

    /** @return BelongsTo<Bank, $this> */
    public function bank(): BelongsTo
    {
        return $this->belongsTo(Bank::class);
    }

    /** @return list<string> */
    public function folderPath(): array
    {
        return PostgresArray::read($this->folder);
    }

    /** What bringing it in made besides questions: bank, folders, topics, stimuli. */
    public function made(): \stdClass
    {
        $made = Json::decode($this->made);

        return $made instanceof \stdClass ? $made : new \stdClass();
    }

    /** The groups its questions came in. */
    public function grouping(): Grouping
    {
        $groups = DB::table('staged_things')
            ->where('intake_id', $this->id)
            ->where('type', 'group')
            ->orderBy('file_id')
            ->orderBy('position')
            ->pluck('value')
            ->map(fn (mixed $value): mixed => Json::decode(is_string($value) ? $value : '{}'))
            ->all();
        $names = Json::decode($this->group_names);

        /** @var array<string, string> $named */
        $named = array_filter((array) $names, is_string(...));

        return Grouping::of(
            array_values(array_filter($groups, fn (mixed $group): bool => $group instanceof \stdClass)),
            $named,
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['stop_asked' => 'boolean', 'regroup' => 'boolean', 'gathers' => 'boolean', 'chooses' => 'boolean'];
    }
}
