<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\Concerns\HasUuids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $slug
 * @property string $name
 * @property string $purpose
 * @property string|null $my_role set by the query that lists banks
 * @property list<string>|null $shared_with names of teams
 * @property int|null $question_count
 * @property array<string, int>|null $strata
 * @property list<string>|null $keepers
 * @property string $subject
 * @property string $level
 * @property string $course
 * @property string $term
 * @property bool $lends whether its questions may be placed in folders of other banks
 * @property string|null $team_id
 * @property string $defaults JSON
 * @property \Carbon\CarbonInterface|null $archived_at
 * @property \Illuminate\Support\Carbon $updated_at
 */
final class Bank extends Model
{
    use HasUuids;

    /** @var list<string> */
    protected $fillable = ['slug', 'name', 'purpose', 'subject', 'level', 'course', 'term', 'team_id'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['strata' => 'array', 'question_count' => 'integer', 'archived_at' => 'datetime', 'lends' => 'boolean'];
    }
}
