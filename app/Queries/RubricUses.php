<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Sharing\Role;

/** The questions that follow a rubric. */
final class RubricUses
{
    private const SOME = 200;

    /**
     * Which questions follow one of these rubrics: their newest revisions are looked through, of those that have a rubric at all.
     */
    private const FOLLOWING = <<<'SQL'
        FROM questions JOIN revisions ON revisions.question_id = questions.id AND number = questions.revision
            WHERE questions.has @> ARRAY['rubric'] AND questions.binned_at IS NULL AND content->'parts' @> ?::jsonb
        SQL;

    /** @return list<string> ids of those the person may change */
    public static function writable(string $rubric, User $person): array
    {
        /** @var list<object{id: string, role: string}> $rows */
        $rows = DB::select(
            'SELECT following.id, mine.role FROM (SELECT questions.id, questions.bank_id '.self::FOLLOWING.') AS following
                JOIN bank_roles(?) AS mine ON mine.bank_id = following.bank_id ORDER BY following.id',
            [self::linked($rubric), $person->id],
        );

        return array_column(array_filter($rows, fn ($row): bool => Role::from($row->role)->canEdit()), 'id');
    }

    /** @return array{questions: list<array<string, mixed>>, hidden: int} those the person may read, some of them; and how many more */
    public static function of(string $rubric, User $person): array
    {
        $rows = DB::select(
            <<<'SQL'
                SELECT questions.id, questions.title, banks.name AS bank_name, mine.role
                    FROM (SELECT questions.id AS found 
                SQL.self::FOLLOWING.<<<'SQL'
                ) AS following JOIN questions ON questions.id = following.found JOIN banks ON banks.id = questions.bank_id
                    LEFT JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id ORDER BY questions.title, questions.id
                SQL,
            [self::linked($rubric), $person->id],
        );
        /** @var list<object{id: string, title: string, bank_name: string, role: string}> $readable */
        $readable = array_values(array_filter($rows, fn (mixed $row): bool => $row instanceof \stdClass && $row->role !== null));

        return [
            'questions' => array_map(fn ($row): array => [
                'id' => $row->id,
                'title' => $row->title,
                'bank' => $row->bank_name,
                'may_write' => Role::from($row->role)->canEdit(),
            ], array_slice($readable, 0, self::SOME)),
            'hidden' => count($rows) - count($readable),
        ];
    }

    /**
     * How many questions follow each rubric of a bank.
     *
     * @return array<string, int>
     */
    public static function counts(string $bank): array
    {
        /** @var list<object{rubric: string, uses: int}> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT link AS rubric, count(DISTINCT questions.id) AS uses FROM questions
                    JOIN revisions ON revisions.question_id = questions.id AND number = questions.revision,
                    LATERAL (SELECT part->'key'->'rubric'->'link'->>'rubric' AS link
                        FROM jsonb_array_elements(content->'parts') AS part) AS links
                    WHERE questions.has @> ARRAY['rubric'] AND questions.binned_at IS NULL
                        AND link IN (SELECT id::text FROM rubrics WHERE bank_id = ?) GROUP BY link
                SQL,
            [$bank],
        );

        return array_column($rows, 'uses', 'rubric');
    }

    private static function linked(string $rubric): string
    {
        return Json::encode([['key' => ['rubric' => ['link' => ['rubric' => $rubric]]]]]);
    }
}
