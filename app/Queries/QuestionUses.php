<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Where questions are used. */
final class QuestionUses
{
    /**
     * The assessments that ask or may draw some questions; of those a person may not read, only how many there are.
     *
     * @param  list<string>  $questions
     * @return array{assessments: list<array{id: string, title: string, questions: int}>, others: int}
     */
    public static function ofMany(array $questions, User $person): array
    {
        /** @var list<object{id: string, title: string, questions: int, readable: bool}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT assessments.id, assessments.title, count(DISTINCT question_id) AS questions, mine.bank_id IS NOT NULL AS readable
                FROM assessment_uses JOIN assessments ON assessments.id = assessment_id AND binned_at IS NULL
                    LEFT JOIN bank_roles(?) AS mine ON mine.bank_id = assessments.bank_id
                WHERE question_id = ANY (?::uuid[]) AND (user_id IS NULL OR may_read_question(user_id, question_id))
                GROUP BY 1, 2, 4 ORDER BY assessments.title
                SQL,
            [$person->id, '{'.implode(',', $questions).'}'],
        );
        $readable = array_values(array_filter($rows, fn (\stdClass $row): bool => $row->readable));

        return [
            'assessments' => array_map(
                fn (\stdClass $row): array => ['id' => $row->id, 'title' => $row->title, 'questions' => $row->questions],
                $readable,
            ),
            'others' => count($rows) - count($readable),
        ];
    }

    /**
     * The assessments that ask a question; of those a person may not read, only how many there are.
     *
     * @return array{assessments: list<array{id: string, title: string}>, others: int}
     */
    public static function of(string $question, User $person): array
    {
        /** @var list<object{id: string, title: string, readable: bool}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT DISTINCT assessments.id, assessments.title, mine.bank_id IS NOT NULL AS readable FROM assessment_uses
                    JOIN assessments ON assessments.id = assessment_id AND binned_at IS NULL LEFT
                    JOIN bank_roles(?) AS mine ON mine.bank_id = assessments.bank_id
                    WHERE question_id = ? AND (user_id IS NULL OR may_read_question(user_id, question_id)) ORDER BY assessments.title
                SQL,
            [$person->id, $question],
        );
        $readable = array_values(array_filter($rows, fn (\stdClass $row): bool => $row->readable));

        return [
            'assessments' => array_map(fn (\stdClass $row): array => ['id' => $row->id, 'title' => $row->title], $readable),
            'others' => count($rows) - count($readable),
        ];
    }
}
