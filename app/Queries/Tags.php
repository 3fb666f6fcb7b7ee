<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\Bank;

/** The tags of a bank. */
final class Tags
{
    /** @return list<\stdClass> tag and how many questions have it, by name */
    public static function of(Bank $bank): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT tag, count(*) AS count FROM questions CROSS JOIN LATERAL unnest(tags) AS tag
            WHERE bank_id = ? AND binned_at IS NULL GROUP BY tag ORDER BY tag COLLATE by_name LIMIT 5000
            SQL,
            [$bank->id],
        );
    }
}
