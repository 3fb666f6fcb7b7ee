<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;

/** The assessments of the banks one may read. */
final class Assessments
{
    /**
     * @param  bool  $isBinned  those in the bin, of banks one may write in
     * @return list<\stdClass> the last changed first
     */
    public static function readable(User $user, bool $isBinned = false): array
    {
        $which = $isBinned ? "binned_at IS NOT NULL AND role >= 'writer'" : 'binned_at IS NULL';

        return Sql::rows(
            <<<SQL
            SELECT assessments.id, assessments.title, assessments.state, banks.slug AS bank, banks.name AS bank_name,
                role >= 'writer' AS may_write, assessments.updated_at,
                assessments.asked AS questions, banks.archived_at IS NOT NULL AS archived, assessments.binned_at
            FROM assessments JOIN banks ON banks.id = assessments.bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            WHERE $which ORDER BY coalesce(binned_at, assessments.updated_at) DESC LIMIT 500
            SQL,
            [$user->id],
        );
    }
}
