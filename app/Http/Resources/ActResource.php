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
            'SELECT questions.id, questions.title, why FROM act_left JOIN questions ON questions.id = question_id JOIN '.
                'bank_roles(?) AS mine ON mine.bank_id = questions.bank_id WHERE act_id = ? ORDER BY questions.title LIMIT '.
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
        $rows = DB::select(
            <<<'SQL'
            SELECT acts.id AS act, acts.kind, banks.slug AS bank, users.name AS person, acts.user_id, acts.state, acts.total,
                acts.done, acts.changed, (SELECT count(*) FROM act_left WHERE act_id = acts.id) AS left_count,
                acts.what->'change' AS what, acts.what->>'undoes' AS undoes, EXISTS (SELECT 1 FROM acts AS back
                    WHERE back.undoes = acts.id) AS undone, acts.created_at, acts.finished_at
            FROM acts LEFT JOIN banks ON banks.id = acts.bank_id LEFT JOIN users ON users.id = acts.user_id
                WHERE acts.id = ANY (?::uuid[]) ORDER BY acts.id DESC
            SQL,
            ['{'.implode(',', $ids).'}'],
        );

        return array_values(
            array_map(function (\stdClass $row) use ($person): array {
                $mine = $row->user_id === $person->id;
                unset($row->user_id);

                return [
                    ...(array) $row,
                    'left' => [],
                    'what' => $row->what === null ? null : Json::decode($row->what),
                    'may_undo' => $mine && ! $row->undone && $row->changed > 0 && ! in_array($row->state, ['waiting', 'running'], true),
                ];
            }, $rows),
        );
    }
}
