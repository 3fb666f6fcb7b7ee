<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\ReadyCheck;
use WideQuarry\Assembly\ReadyQuestion;
use WideQuarry\Finding;
use WideQuarry\Numbers\Exact;

/**
 * Whether an assessment can be given to learners, as its questions are now.
 *
 * @phpstan-type Row object{id: string, points: string, is_complete: bool, specimens_failing: int, is_marked: bool,
 *     stimuli: string}&\stdClass
 */
final class ReadyQuestions
{
    /**
     * Questions asked one by one that share a band of their words (MinHashSignature).
     *
     * @return list<array{string, string}>
     */
    private static function near(Assessment $assessment): array
    {
        $ids = array_map(fn (Pick $pick): string => $pick->question, $assessment->picks());
        /** @var list<object{one: string, other: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            WITH bands AS (SELECT id, unnest(near) AS band FROM questions WHERE id = ANY (?::uuid[]))
            SELECT DISTINCT a.id AS one, b.id AS other FROM bands AS a JOIN bands AS b USING (band) WHERE a.id < b.id ORDER BY 1, 2
            SQL,
            ['{'.implode(',', $ids).'}'],
        );

        return array_map(fn (\stdClass $row): array => [$row->one, $row->other], $rows);
    }

    /** @return list<Finding> */
    public static function check(Assessment $assessment, User $person): array
    {
        $titles = QuestionTitles::of($assessment->questions(), $person);
        /** @var list<Row> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT id, points, is_complete, specimens_failing, marking <> '' AS is_marked,
                (SELECT coalesce(json_agg(stimulus_id), '[]') FROM question_stimuli WHERE question_id = questions.id)::text AS stimuli
            FROM questions WHERE id = ANY (?::uuid[]) AND binned_at IS NULL
            SQL,
            ['{'.implode(',', $assessment->questions()).'}'],
        );
        $there = [];
        foreach ($rows as $row) {
            $there[$row->id] = new ReadyQuestion(
                $titles[$row->id] ?? '',
                Exact::of($row->points),
                $row->is_complete,
                $row->specimens_failing,
                $row->is_marked,
                array_values(array_filter((array) json_decode($row->stimuli), is_string(...))),
            );
        }

        $blueprint = $assessment->blueprint;
        $short = $blueprint === null ? [] : BlueprintCheck::of($blueprint, $assessment, $person)['short'];

        return ReadyCheck::of($assessment, $there, self::near($assessment), $short);
    }
}
