<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;

/** Blueprints as a list shows them. */
final class Blueprints
{
    private const AT_MOST = 1000;

    /** @return list<\stdClass> the last changed first */
    public static function readable(User $person, bool $isBinned): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT blueprints.id, blueprints.title, banks.slug AS bank, banks.name AS bank_name, users.name AS changed_by,
                to_char(blueprints.updated_at AT TIME ZONE 'UTC', 'YYYY-MM-DD"T"HH24:MI:SS"Z"') AS updated_at,
                mine.role IN ('writer', 'keeper') AS may_write,
                (SELECT count(*) FROM assessments WHERE assessments.content->'blueprint'->>'id' = blueprints.id::text
                    AND binned_at IS NULL)::int AS made
            FROM blueprints JOIN banks ON banks.id = bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = blueprints.bank_id
                LEFT JOIN users ON users.id = updated_by
            WHERE (blueprints.binned_at IS NOT NULL) = ? ORDER BY blueprints.updated_at DESC, blueprints.id LIMIT ?
            SQL,
            [$person->id, $isBinned, self::AT_MOST],
        );
    }
}
