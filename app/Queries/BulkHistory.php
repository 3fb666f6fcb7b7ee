<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;

/** What a bulk operation did. */
final class BulkHistory
{
    /** @return list<object{id: string, title: string, fields: string}&\stdClass> question by question, as far as the person may see them */
    public static function changes(string $operation, User $user, string $after, int $most): array
    {
        // @phpstan-ignore return.type (its columns)
        return Sql::rows(
            <<<'SQL'
            SELECT questions.id, questions.title, json_agg(json_build_object('field', field, 'before', before, 'after', after)
                ORDER BY field) AS fields
            FROM changes JOIN questions ON questions.id = question_id JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id
            WHERE operation_id = ? AND question_id > ? GROUP BY questions.id ORDER BY questions.id LIMIT ?
            SQL,
            [$user->id, $operation, $after, $most],
        );
    }

    /** @return list<string> ids of the banks in which undoing it would write */
    public static function banks(string $operation): array
    {
        $banks = Sql::rows(
            <<<'SQL'
                SELECT bank_id FROM bulk_operations WHERE id = ? UNION SELECT questions.bank_id FROM changes
                    JOIN questions ON questions.id = question_id WHERE operation_id = ? AND field NOT IN ('topics', 'folders') UNION
                    SELECT (before->>'bank')::uuid FROM changes WHERE operation_id = ? AND field = 'home'
                SQL,
            [$operation, $operation, $operation],
        );

        return array_values(array_filter(array_column($banks, 'bank_id'), is_string(...)));
    }
}
