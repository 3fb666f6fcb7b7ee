<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;

/** Questions of a bank's assessments that some people with access to the bank cannot view, because they are in other banks. */
final class HiddenUses
{
    private const PEOPLE = 200;

    private const MOST = 50;

    /** @return list<array{assessment: string, title: string, person: string, questions: int}> */
    public static function of(string $bankId): array
    {
        /** @var list<object{assessment: string, title: string, person: string, questions: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            WITH people AS (
                SELECT DISTINCT coalesce(bank_grants.user_id, memberships.user_id) AS id
                FROM bank_grants LEFT JOIN memberships ON memberships.team_id = bank_grants.team_id WHERE bank_grants.bank_id = ? LIMIT ?
            ), asked AS (
                SELECT DISTINCT assessments.id, assessments.title, question_id FROM assessments
                    JOIN assessment_uses ON assessment_id = assessments.id
                JOIN questions ON questions.id = question_id
                    WHERE assessments.bank_id = ? AND questions.bank_id <> assessments.bank_id AND questions.binned_at IS NULL
            )
            SELECT asked.id AS assessment, asked.title, users.name AS person, count(*) AS questions
            FROM asked CROSS JOIN people JOIN users ON users.id = people.id WHERE NOT may_read_question(people.id, asked.question_id)
            GROUP BY asked.id, asked.title, users.id, users.name ORDER BY asked.title, users.name LIMIT ?
            SQL,
            [$bankId, self::PEOPLE, $bankId, self::MOST],
        );

        return array_map(
            fn (\stdClass $row): array => [
                'assessment' => $row->assessment,
                'title' => $row->title,
                'person' => $row->person,
                'questions' => $row->questions,
            ],
            $rows,
        );
    }
}
