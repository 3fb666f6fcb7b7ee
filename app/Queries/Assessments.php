<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;

/** The assessments of the banks one may read. */
final class Assessments
{
    /** @return list<\stdClass> the last changed first */
    public static function readable(User $user): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT assessments.id, assessments.title, assessments.state, banks.slug AS bank, banks.name AS bank_name,
                role >= 'writer' AS may_write, assessments.updated_at,
                assessments.asked AS questions, banks.archived_at IS NOT NULL AS archived
            FROM assessments JOIN banks ON banks.id = assessments.bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            ORDER BY assessments.updated_at DESC LIMIT 500
            SQL,
            [$user->id],
        );
    }
}
