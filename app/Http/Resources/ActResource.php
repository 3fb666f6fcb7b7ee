<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** An act on many questions: its receipt, and how far it is until then. */
final class ActResource
{
    private const SOME = 200;

    /** @return array<string, mixed> with what was left, and why */
    public static function of(string $id, User $person): array
    {
        $left = DB::select(
            'SELECT questions.id, questions.title, why FROM bulk_skips JOIN questions ON questions.id = question_id JOIN '.
                'bank_roles(?) AS mine ON mine.bank_id = questions.bank_id WHERE operation_id = ? ORDER BY questions.title LIMIT '.
                self::SOME,
            [$person->id, $id],
        );

        return [...self::many([$id], $person)[0] ?? abort(404), 'left' => $left];
    }

    /**
     * @param  list<string>  $ids
     * @return list<array<string, mixed>> in one query, the newest first
     */
    public static function many(array $ids, User $person): array
    {
        /** @var list<object{user_id: string, changed: int, assessments: int, what: string|null, undone: bool,
            state: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT operation.id AS act, operation.kind, banks.slug AS bank, users.name AS person, operation.user_id,
                operation.state, operation.total, operation.done, operation.changed,
                (SELECT count(*) FROM bulk_skips WHERE operation_id = operation.id) AS left_count,
                operation.what->'change' AS what, coalesce(jsonb_array_length(operation.what->'made'->'assessments'), 0) AS assessments,
                operation.what->>'undoes' AS undoes, EXISTS (SELECT 1 FROM bulk_operations AS back
                    WHERE back.undoes = operation.id) AS undone, operation.created_at, operation.finished_at
            FROM bulk_operations AS operation LEFT JOIN banks ON banks.id = operation.bank_id
                LEFT JOIN users ON users.id = operation.user_id
                WHERE operation.id = ANY (?::uuid[]) ORDER BY operation.id DESC
            SQL,
            ['{'.implode(',', $ids).'}'],
        );

        /** @var list<array<string, mixed>> */
        return array_map(function (\stdClass $row) use ($person): array {
            $mine = $row->user_id === $person->id;
            $hasMade = $row->changed > 0 || $row->assessments > 0;

            return [
                ...array_diff_key(get_object_vars($row), ['user_id' => 1]),
                'left' => [],
                'what' => $row->what === null ? null : Json::decode($row->what),
                'may_undo' => $mine && ! $row->undone && $hasMade && ! in_array($row->state, ['waiting', 'running'], true),
            ];
        }, $rows);
    }
}
