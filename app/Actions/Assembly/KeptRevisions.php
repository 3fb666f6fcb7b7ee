<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Models\Assessment;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/**
 * Keeps what assessments were like. The screen stores a change a moment after it was made, so what one person does within ten minutes is
 * one revision.
 */
final class KeptRevisions
{
    private const ONE = '10 minutes';

    /** Writes down how an assessment is that was stored just now. To be called in the transaction that stored it. */
    public static function keep(string $assessment, string $content, User $person, ?int $broughtBack = null): void
    {
        $again = $broughtBack !== null ? 0 : DB::update(
            <<<'SQL'
            UPDATE assessment_revisions SET content = ?::jsonb, saved_at = now()
            WHERE assessment_id = ? AND user_id = ? AND begun_at > now() - ?::interval AND brought_back IS NULL
                AND number = (SELECT max(number) FROM assessment_revisions WHERE assessment_id = ?) AND number > 1
            SQL,
            [$content, $assessment, $person->id, self::ONE, $assessment],
        );
        if ($again === 0) {
            DB::insert(
                <<<'SQL'
                INSERT INTO assessment_revisions (assessment_id, number, content, user_id, brought_back)
                    SELECT ?, coalesce(max(number), 0) + 1, ?::jsonb, ?, ? FROM assessment_revisions WHERE assessment_id = ?
                SQL,
                [$assessment, $content, $person->id, $broughtBack, $assessment],
            );
        }
    }

    /** One that was stored before revisions were kept begins with what it is now. To be called before it is changed. */
    public static function begin(Assessment $assessment): void
    {
        DB::insert(
            <<<'SQL'
            INSERT INTO assessment_revisions (assessment_id, number, content, user_id, begun_at, saved_at)
                SELECT id, 1, content, created_by, created_at, updated_at FROM assessments WHERE id = ?
            ON CONFLICT DO NOTHING
            SQL,
            [$assessment->id],
        );
    }
}
