<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\ReadyCheck;
use WideQuarry\Assembly\ReadyQuestion;
use WideQuarry\Finding;
use WideQuarry\Numbers\Exact;

/**
 * Whether an assessment can be given to learners, as its questions are now.
 *
 * @phpstan-type Row object{id: string, points: string, is_complete: bool, specimens_failing: int, is_marked: bool}&\stdClass
 */
final class ReadyQuestions
{
    /** @return list<Finding> */
    public static function check(Assessment $assessment, User $person): array
    {
        $titles = QuestionTitles::of($assessment->questions(), $person);
        /** @var list<Row> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT id, points, is_complete, specimens_failing, marking <> '' AS is_marked FROM questions
            WHERE id = ANY (?::uuid[]) AND binned_at IS NULL
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
            );
        }

        return ReadyCheck::of($assessment, $there);
    }
}
