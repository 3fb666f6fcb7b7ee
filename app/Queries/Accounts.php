<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use WideQuarry\Json\Json;

/** Everybody who has an account, for administrators. */
final class Accounts
{
    /** @return list<array<string, mixed>> by name */
    public static function all(): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            SELECT users.id, users.name, email, is_administrator, disabled_at, second_factor_on, created_at,
                (SELECT count(*) FROM bank_grants WHERE user_id = users.id AND role = 'keeper') AS banks,
                (SELECT coalesce(jsonb_agg(teams.name ORDER BY teams.name), '[]') FROM memberships JOIN teams ON teams.id = team_id
                    WHERE user_id = users.id) AS teams,
                (SELECT to_timestamp(max(last_activity)) FROM sessions WHERE user_id = users.id) AS last_seen,
                EXISTS (SELECT 1 FROM password_links WHERE user_id = users.id AND kind = 'invitation') AS invited
            FROM users ORDER BY users.name COLLATE by_name LIMIT 5000
            SQL,
        );

        /** @var list<array<string, mixed>> */
        return array_map(fn (\stdClass $row): array => [
            ...get_object_vars($row),
            'teams' => Json::decode(is_string($row->teams) ? $row->teams : '[]'),
        ], $rows);
    }
}
