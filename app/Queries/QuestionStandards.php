<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;

/** The standards that questions name, as they stand in their frameworks now. */
final class QuestionStandards
{
    /**
     * @param  list<string>  $questions
     * @return array<string, list<array<string, mixed>>> question → standards, those it assesses first
     */
    public static function of(array $questions): array
    {
        /** @var list<object{question_id: string}&\stdClass> $rows */
        $rows = $questions === [] ? [] : DB::select(
            <<<'SQL'
                SELECT question_id, statement_id AS statement, coalesce(statements.code, question_standards.code) AS code,
                    coalesce(nullif(statements.title, ''), statements.text, '') AS title, coalesce(statements.text, '') AS text,
                    coalesce(trim(frameworks.title || ' ' || frameworks.version), question_standards.framework) AS framework,
                    coalesce(statements.retired, false) AS retired, touches
                FROM question_standards LEFT JOIN statements ON statements.id = statement_id
                LEFT JOIN frameworks ON frameworks.id = statements.framework_id
                WHERE question_id = ANY (?::uuid[]) ORDER BY question_id, touches, place
                SQL,
            ['{'.implode(',', $questions).'}'],
        );
        $standards = [];
        foreach ($rows as $row) {
            $question = $row->question_id;
            unset($row->question_id);
            /** @var array<string, mixed> $fields */
            $fields = get_object_vars($row);
            $standards[$question][] = $fields;
        }

        return $standards;
    }

    /**
     * @param  list<array<string, mixed>>  $standards  of a question
     * @return list<string> code and words of each
     */
    public static function names(array $standards): array
    {
        return array_map(
            fn (array $one): string => implode(' ', array_filter([$one['code'] ?? '', $one['title'] ?? ''], is_string(...))),
            $standards,
        );
    }

    /**
     * @param  list<array<string, mixed>>  $standards  of a question
     * @return list<string> codes of those it assesses
     */
    public static function codes(array $standards): array
    {
        $assessed = array_filter($standards, fn (array $one): bool => $one['touches'] === false);

        return array_values(array_filter(array_column($assessed, 'code'), is_string(...)));
    }

    /**
     * Records under the names that their frameworks and statements have now, as they go out.
     *
     * @param  list<\stdClass>  $records
     */
    public static function refresh(array $records): void
    {
        $named = [];
        foreach ($records as $record) {
            foreach (is_array($record->standards ?? null) ? $record->standards : [] as $one) {
                if ($one instanceof \stdClass && is_string($one->statement ?? null)) {
                    $named[$one->statement][] = $one;
                }
            }
        }
        if ($named === []) {
            return;
        }
        /** @var list<object{id: string, code: string, title: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT statements.id, code, frameworks.title FROM statements JOIN frameworks ON frameworks.id = framework_id
                WHERE statements.id = ANY (?::uuid[])
                SQL,
            ['{'.implode(',', array_keys($named)).'}'],
        );
        foreach ($rows as $row) {
            foreach ($named[$row->id] as $one) {
                $one->framework = $row->title;
                $one->code = $row->code;
            }
        }
    }
}
