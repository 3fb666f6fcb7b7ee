<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;

/**
 * What two assessments have in common, and what is nearly the same in them.
 *
 * @phpstan-type Named array{id: string, title: string}
 */
final class AssessmentComparison
{
    /**
     * @return array{both: list<Named>, only_here: list<Named>, only_there: list<Named>, near: list<array{here: string, there: string}>}
     *     titles are '' where the reader may not view the question; near pairs questions that only one has
     */
    public static function of(Assessment $here, Assessment $there, User $person): array
    {
        [$a, $b] = [$here->questions(), $there->questions()];
        $titles = QuestionTitles::of([...$a, ...$b], $person);
        [$onlyHere, $onlyThere] = [array_values(array_diff($a, $b)), array_values(array_diff($b, $a))];

        return [
            'both' => self::named(array_values(array_intersect($a, $b)), $titles),
            'only_here' => self::named($onlyHere, $titles),
            'only_there' => self::named($onlyThere, $titles),
            'near' => self::near($onlyHere, $onlyThere),
        ];
    }

    /**
     * @param  list<string>  $ids
     * @param  array<string, string>  $titles
     * @return list<Named>
     */
    private static function named(array $ids, array $titles): array
    {
        return array_map(fn (string $id): array => ['id' => $id, 'title' => $titles[$id] ?? ''], $ids);
    }

    /**
     * Pairs that share a band of their words (MinHashSignature), each question once.
     *
     * @param  list<string>  $here
     * @param  list<string>  $there
     * @return list<array{here: string, there: string}>
     */
    private static function near(array $here, array $there): array
    {
        /** @var list<object{here: string, there: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            WITH a AS (SELECT id, unnest(near) AS band FROM questions WHERE id = ANY (?::uuid[])),
                b AS (SELECT id, unnest(near) AS band FROM questions WHERE id = ANY (?::uuid[]))
            SELECT DISTINCT ON (a.id) a.id AS here, b.id AS there FROM a JOIN b USING (band) ORDER BY a.id, b.id
            SQL,
            ['{'.implode(',', $here).'}', '{'.implode(',', $there).'}'],
        );
        $pairs = $taken = [];
        foreach ($rows as $row) {
            if (! isset($taken[$row->there])) {
                $taken[$row->there] = true;
                $pairs[] = ['here' => $row->here, 'there' => $row->there];
            }
        }

        return $pairs;
    }
}
