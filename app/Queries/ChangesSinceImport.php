<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/**
 * What has happened since an intake to the questions it brought in or replaced.
 *
 * @phpstan-type SettledRow object{id: string, number: int, title: string, outcome: string, question_id: string|null, revision: int|null,
 *     before: string|null, now: int|null, changed: bool, used: bool, why: string|null}&\stdClass
 */
final class ChangesSinceImport
{
    /**
     * Settled rows in their order, with what may keep each from being taken back.
     *
     * @return list<SettledRow> why: why it has to stay; null when it need not
     */
    public static function rows(string $intake, string $act, int $after, int $most): array
    {
        /** @var list<SettledRow> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT staged.id, staged.number, staged.title, staged.outcome, staged.question_id, staged.revision, staged.before,
                questions.revision AS now,
                EXISTS (SELECT 1 FROM changes WHERE question_id = staged.question_id AND operation_id IS DISTINCT FROM ?::uuid
                    AND id > coalesce((SELECT max(id) FROM changes AS own
                        WHERE own.question_id = staged.question_id AND own.operation_id = ?::uuid), 0)) AS changed,
                (counted_uses(staged.question_id) > 0) AS used
            FROM staged_questions AS staged LEFT JOIN questions ON questions.id = staged.question_id
            WHERE staged.intake_id = ? AND staged.number > ? AND staged.outcome IS NOT NULL ORDER BY staged.number LIMIT ?
            SQL,
            [$act, $act, $intake, $after, $most],
        );
        foreach ($rows as $row) {
            $row->why = self::why($row);
        }

        return $rows;
    }

    /** @param  SettledRow  $row */
    private static function why(\stdClass $row): ?string
    {
        return match (true) {
            $row->outcome === 'skipped', $row->now === null => null,
            $row->now !== $row->revision => Message::of('app.queries.changed-since'),
            $row->changed => Message::of('app.queries.classification-changed-since'),
            $row->outcome === 'added' && $row->used => Message::of('app.queries.assessment-uses'),
            default => null,
        };
    }
}
