<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use WideQuarry\Json\Json;

/** Teams with their members. */
final class Teams
{
    /** @return list<array<string, mixed>> by name */
    public static function all(): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            SELECT teams.id, teams.name, (SELECT count(*) FROM bank_grants WHERE team_id = teams.id) AS banks,
                (SELECT coalesce(jsonb_agg(jsonb_build_object('id', users.id, 'name', users.name) ORDER BY users.name), '[]')
                    FROM memberships JOIN users ON users.id = user_id WHERE team_id = teams.id) AS members
            FROM teams ORDER BY teams.name COLLATE by_name LIMIT 1000
            SQL,
        );

        /** @var list<array<string, mixed>> */
        return array_map(fn (\stdClass $row): array => [
            ...get_object_vars($row),
            'members' => Json::decode(is_string($row->members) ? $row->members : '[]'),
        ], $rows);
    }
}
