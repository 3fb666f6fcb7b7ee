<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What was brought in and sent out. */
final class Transfers
{
    public const MINE = '(user_id = ? OR bank_id IN (SELECT bank_id FROM bank_roles(?) WHERE role >= \'writer\'))';

    /**
     * @param  ?string  $before  only what began before this moment
     * @return list<array<string, mixed>> the newest first
     */
    public static function of(User $user, ?string $before): array
    {
        $mine = self::MINE;
        $rows = Sql::rows(
            <<<SQL
            SELECT moved.*, users.name AS person, banks.name AS bank FROM (
                SELECT id, 'in' AS direction, title, state, problem, user_id, bank_id, created_at, updated_at, (SELECT count(*)
                    FROM staged_questions WHERE intake_id = intakes.id) AS questions, NULL::uuid AS receipt
                FROM intakes WHERE $mine
                UNION ALL
                SELECT id, 'out', title, state, problem, user_id, bank_id, created_at, updated_at, coalesce((body->>'questions')::int,
                    0), receipt_id FROM dispatches WHERE user_id = ?
            ) AS moved LEFT JOIN users ON users.id = moved.user_id LEFT JOIN banks ON banks.id = moved.bank_id
            WHERE moved.created_at < coalesce(?::timestamptz, 'infinity') ORDER BY created_at DESC LIMIT 100
            SQL,
            [$user->id, $user->id, $user->id, $before],
        );

        /** @var list<array<string, mixed>> */
        return array_map(
            fn (\stdClass $row): array => array_diff_key(get_object_vars($row), ['user_id' => 1, 'bank_id' => 1]),
            $rows,
        );
    }

    /** How many questions an export is of; 0 for an assessment. */
    public static function size(string $export): int
    {
        $count = DB::scalar("SELECT coalesce(jsonb_array_length(what->'questions'), 0) FROM dispatches WHERE id = ?", [$export]);

        return is_int($count) ? $count : 0;
    }
}
