<?php

declare(strict_types=1);

namespace App\Queries;

use App\Indexing\QuestionIndex;
use App\Infrastructure\Sql;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\FolderPath;
use WideQuarry\Assembly\Totals;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;

/** The assessments of the banks one may read. */
final class Assessments
{
    private const MOST = 5000;

    /**
     * @param  bool  $isBinned  those in the bin, of banks one may write in
     * @return list<array<string, mixed>> those this person opened last first, then the last changed
     */
    public static function readable(User $user, bool $isBinned = false): array
    {
        $which = $isBinned ? "binned_at IS NOT NULL AND role >= 'writer'" : 'binned_at IS NULL';
        $most = self::MOST;
        $rows = Sql::rows(
            <<<SQL
            SELECT assessments.id, assessments.title, assessments.state, banks.slug AS bank, banks.name AS bank_name,
                role >= 'writer' AS may_write, assessments.updated_at, array_to_json(folder)::text AS folder, assessments.course,
                assessments.term, points, minutes, strata, assessments.asked AS questions,
                banks.archived_at IS NOT NULL AS archived, assessments.binned_at, opened_at,
                (SELECT coalesce(json_agg(json_build_object('on', used_on, 'with', with_whom) ORDER BY used_on DESC), '[]')
                    FROM assessment_occasions WHERE assessment_id = assessments.id)::text AS used
            FROM assessments JOIN banks ON banks.id = assessments.bank_id JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            LEFT JOIN assessment_openings ON assessment_openings.assessment_id = assessments.id AND assessment_openings.user_id = ?
            WHERE $which
            ORDER BY opened_at DESC NULLS LAST, coalesce(binned_at, assessments.updated_at) DESC, assessments.id DESC LIMIT $most
            SQL,
            [$user->id, $user->id],
        );

        return array_map(self::row(...), $rows);
    }

    /** @return array<string, mixed> */
    private static function row(\stdClass $row): array
    {
        /** @var array<string, mixed> $columns */
        $columns = (array) $row;
        $amount = fn (mixed $value): int|float|null => is_string($value) ? Exact::number(Exact::of($value)) : null;
        $json = fn (mixed $value): mixed => is_string($value) ? Json::decode($value) : null;

        return [
            ...$columns,
            'folder' => $json($row->folder),
            'points' => $amount($row->points),
            'minutes' => $amount($row->minutes),
            'strata' => $json($row->strata),
            'used' => $json($row->used),
        ];
    }

    /**
     * What assessments are about: topics at the top of their tree, of questions this person may view.
     *
     * @return list<\stdClass> {id, topic, questions}
     */
    public static function topics(User $user): array
    {
        return Sql::rows(
            <<<'SQL'
            SELECT assessment_uses.assessment_id AS id, top.title AS topic, count(DISTINCT assessment_uses.question_id) AS questions
            FROM assessment_uses JOIN assessments ON assessments.id = assessment_uses.assessment_id
                JOIN bank_roles(?) AS here ON here.bank_id = assessments.bank_id
                JOIN questions ON questions.id = assessment_uses.question_id
                JOIN bank_roles(?) AS there ON there.bank_id = questions.bank_id
                JOIN question_topics ON question_topics.question_id = questions.id JOIN topics ON topics.id = question_topics.topic_id
                JOIN topics AS top ON top.path = subpath(topics.path, 0, 1)
            WHERE assessments.binned_at IS NULL GROUP BY 1, 2 ORDER BY 1, 3 DESC, 2
            SQL,
            [$user->id, $user->id],
        );
    }

    /** Notes that somebody opened it: theirs come first in their list. */
    public static function opened(string $assessment, User $user): void
    {
        DB::insert(
            <<<'SQL'
            INSERT INTO assessment_openings (user_id, assessment_id) VALUES (?, ?)
            ON CONFLICT (user_id, assessment_id) DO UPDATE SET opened_at = now()
            SQL,
            [$user->id, $assessment],
        );
    }

    /**
     * All that lies in a folder and below it, in another one.
     *
     * @param  list<string>  $from
     * @param  list<string>  $to
     * @return int how many were moved
     *
     * @throws \WideQuarry\Json\Malformed when some would lie too deep
     */
    public static function moveFolder(string $bank, array $from, array $to): int
    {
        $depth = count($from);
        $inIt = 'bank_id = ? AND folder[1:?] = ?::text[]';
        $bound = [$bank, $depth, QuestionIndex::array($from)];
        $deepest = DB::scalar("SELECT max(cardinality(folder)) FROM assessments WHERE $inIt", $bound);
        FolderPath::allow($to, is_int($deepest) ? $deepest - $depth : 0, '/to');

        return DB::update("UPDATE assessments SET folder = ?::text[] || folder[?:] WHERE $inIt", [
            QuestionIndex::array($to),
            $depth + 1,
            ...$bound,
        ]);
    }

    /** Keeps what it comes to, for lists. */
    public static function keepTotals(string $assessment, Totals $totals): void
    {
        $strata = [];
        foreach ($totals->kinds as $line) {
            $strata[$line['name']] = $line['questions'];
        }
        DB::update('UPDATE assessments SET points = ?::numeric, minutes = ?::numeric, strata = ?::jsonb WHERE id = ?', [
            (string) Exact::number($totals->points),
            $totals->minutes === null ? null : (string) Exact::number($totals->minutes),
            Json::encode((object) $strata),
            $assessment,
        ]);
    }
}
