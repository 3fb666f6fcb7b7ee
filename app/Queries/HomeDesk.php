<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** What stands on a person's desk, each part in one query, of nothing but what they may read. */
final class HomeDesk
{
    private const SOME = 8;

    private const DAYS = 30;

    /** Notes of revisions that were made many at a time, as an array of PostgreSQL: they would push everything else off the desk. */
    private const TOGETHER = '{"brought in","changed together with others","copied"}';

    /**
     * What was typed and not saved, the last first; to: where it goes on.
     *
     * @return list<array{to: string, title: string, bank: string, what: string, at: string}>
     */
    public static function begun(User $person): array
    {
        /** @var list<object{subject: string, intake: string|null, title: string, bank: string, what: string, at: string}&\stdClass>
            $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT kept.subject, kept.updated_at AS at, coalesce(nullif(kept.content->>'title', ''), questions.title, stimuli.title,
                '') AS title,
                CASE WHEN kept.subject LIKE 'stimulus:%' OR kept.subject LIKE 'new-stimulus:%' THEN 'stimulus'
                    ELSE 'question' END AS what, coalesce(banks.name, began.name, homes.name, '') AS bank,
                intake.id AS intake
            FROM autosaves AS kept
            LEFT JOIN questions ON questions.id::text = kept.subject LEFT JOIN banks ON banks.id = questions.bank_id
            LEFT JOIN banks AS began ON began.slug = split_part(kept.subject, ':', 2) AND kept.subject ~ '^new(-stimulus)?:'
            LEFT JOIN stimuli ON 'stimulus:' || stimuli.id = kept.subject LEFT JOIN banks AS homes ON homes.id = stimuli.bank_id
            LEFT JOIN staged_questions ON 'staged:' || staged_questions.id = kept.subject LEFT
                JOIN intakes AS intake ON intake.id = staged_questions.intake_id
            WHERE kept.user_id = ? AND (questions.id IS NULL OR questions.bank_id IN (SELECT bank_id FROM bank_roles(kept.user_id)))
            ORDER BY kept.updated_at DESC LIMIT ?
            SQL,
            [$person->id, self::SOME],
        );

        return array_values(
            array_filter(
                array_map(function (\stdClass $row): array {
                    [$kind, $rest] = [...explode(':', $row->subject, 2), ''];
                    $slug = explode(':', $rest)[0];
                    $with =
                        preg_match('/^[^:]+:(like|with):(.+)$/', $rest, $m) === 1
                            ? '?'.($m[1] === 'like' ? 'like' : 'stimulus')."=$m[2]"
                            : '';
                    $to = match (true) {
                        $kind === 'new' => "/banks/$slug/write$with",
                        $kind === 'new-stimulus' => "/banks/$slug/stimuli/new",
                        $kind === 'stimulus' => "/stimuli/$rest",
                        $kind === 'entry' => '/assessments/'.str_replace(':', '/entries/', $rest),
                        $kind === 'staged' => $row->intake === null ? '' : "/intakes/$row->intake/questions/$rest",
                        default => "/questions/$row->subject",
                    };

                    return ['to' => $to, 'title' => $row->title, 'bank' => $row->bank, 'what' => $row->what, 'at' => $row->at];
                }, $rows),
                fn (array $one): bool => $one['to'] !== '',
            ),
        );
    }

    /** @return list<\stdClass> questions one has saved, the last first */
    public static function recent(User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT questions.id, questions.title, banks.name AS bank, saved.at FROM (
                SELECT question_id, max(created_at) AS at FROM revisions
                    WHERE author_id = ? AND created_at > now() - make_interval(days => ?) AND note <> ALL (?::text[])
                    GROUP BY question_id ORDER BY 2 DESC LIMIT ?
            ) AS saved JOIN questions ON questions.id = question_id AND questions.binned_at IS NULL
                JOIN banks ON banks.id = questions.bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
                ORDER BY saved.at DESC
            SQL,
            [$person->id, self::DAYS, self::TOGETHER, self::SOME, $person->id],
        );
    }

    /** @return list<\stdClass> banks one writes in, with how many questions want something; each count is a filter of the bank */
    public static function waiting(User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT banks.slug, banks.name, count(*) FILTER (WHERE status = 'in_review') AS in_review,
                count(*) FILTER (WHERE NOT is_complete) AS incomplete, count(*) FILTER (WHERE specimens_failing > 0) AS failing,
                count(*) FILTER (WHERE status = 'draft' AND is_complete) AS drafts, count(*) FILTER (WHERE NOT EXISTS (SELECT 1
                    FROM question_topics WHERE question_id = questions.id)) AS untopiced, count(*) FILTER (WHERE NOT named) AS unnamed
            FROM banks JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id AND mine.role <> 'reader'
                JOIN questions ON questions.bank_id = banks.id AND questions.binned_at IS NULL WHERE archived_at IS NULL
            GROUP BY banks.id HAVING count(*) FILTER (WHERE status = 'in_review' OR NOT is_complete OR specimens_failing > 0
                OR NOT named OR (status = 'draft' AND is_complete)) > 0 OR count(*) FILTER (WHERE NOT EXISTS (SELECT 1
                FROM question_topics WHERE question_id = questions.id)) > 0
            ORDER BY banks.name COLLATE by_name
            SQL,
            [$person->id],
        );
    }

    /** @return list<\stdClass> intakes that wait for somebody and are one's own or go into a bank one writes in */
    public static function intakes(User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT id, title, created_at AS at FROM intakes WHERE state IN ('choosing', 'review') AND (user_id = ? OR bank_id IN
                (SELECT bank_id FROM bank_roles(?) WHERE role <> 'reader')) ORDER BY created_at DESC LIMIT ?
            SQL,
            [$person->id, $person->id, self::SOME],
        );
    }

    /** @return list<\stdClass> what others did lately to many questions of banks one writes in */
    public static function acts(User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT operation.id AS act, operation.kind, operation.changed, users.name AS person, banks.name AS bank,
                operation.created_at AS at
            FROM bulk_operations AS operation JOIN banks ON banks.id = operation.bank_id
                JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id AND mine.role <> 'reader'
                JOIN users ON users.id = operation.user_id
            WHERE operation.user_id <> ? AND operation.total > 1 AND operation.changed > 0
                AND operation.created_at > now() - make_interval(days => ?)
                ORDER BY operation.id DESC LIMIT ?
            SQL,
            [$person->id, $person->id, self::DAYS, self::SOME],
        );
    }

    /** @return list<\stdClass> what others saved lately in banks one reads, a question once */
    public static function changed(User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT * FROM (
                SELECT DISTINCT ON (questions.id) questions.id, questions.title, banks.name AS bank, banks.slug,
                    users.name AS person, revisions.note, revisions.number, revisions.created_at AS at
                FROM revisions JOIN questions ON questions.id = question_id AND questions.binned_at IS NULL
                    JOIN banks ON banks.id = questions.bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
                    JOIN users ON users.id = revisions.author_id
                WHERE revisions.author_id <> ? AND revisions.created_at > now() - make_interval(days => ?)
                    AND revisions.note <> ALL (?::text[]) ORDER BY questions.id, revisions.number DESC
            ) AS latest ORDER BY at DESC LIMIT ?
            SQL,
            [$person->id, $person->id, self::DAYS, self::TOGETHER, self::SOME * 2],
        );
    }
}
