<?php

declare(strict_types=1);

namespace App\Models;

use App\Support\Arrays;
use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Database\Eloquent\Relations\BelongsTo;
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
 * @property string|null $act_id
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
        return Arrays::read($this->folder);
    }

    /** What bringing it in made besides questions: bank, folders, topics, stimuli. */
    public function made(): \stdClass
    {
        $made = Json::decode($this->made);

        return $made instanceof \stdClass ? $made : new \stdClass;
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['stop_asked' => 'boolean'];
    }
}
