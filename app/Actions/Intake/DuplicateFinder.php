<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Duplicates\DuplicateMatch;

/** Finds which staged questions are in the bank already, or stand earlier in the same intake (WideQuarry\Interchange\Duplicate). */
final class DuplicateFinder
{
    /** All questions that are not settled yet. */
    public function handle(string $intake, ?string $bank): void
    {
        $this->known($intake, $bank, null);
        $this->near($intake, $bank);
    }

    /**
     * Once more, just before these are brought in: what is the same is looked for anew; what is nearly the same stands, as long as it is
     * there.
     *
     * @param  list<string>  $only  staged questions
     */
    public function again(string $intake, string $bank, array $only): void
    {
        $this->known($intake, $bank, $only);
        DB::statement(
            <<<'SQL'
            UPDATE staged_questions SET duplicate_of = NULL, duplicate_by = NULL WHERE id = ANY (?::uuid[]) AND duplicate_by = 'near'
                AND NOT EXISTS (SELECT 1 FROM questions WHERE questions.id = duplicate_of AND questions.bank_id = ?::uuid
                    AND binned_at IS NULL)
            SQL,
            ['{'.implode(',', $only).'}', $bank],
        );
    }

    /** @param  list<string>|null  $only  null for all */
    private function known(string $intake, ?string $bank, ?array $only): void
    {
        $list = $only === null ? null : '{'.implode(',', $only).'}';
        $made = $this->made($intake);
        $rank = fn (DuplicateMatch $match): int => $match->rank();
        $kept = $only === null ? 'false' : 'true'; // what is nearly the same is found anew with all
        // IS NOT DISTINCT FROM keeps the bank out of the choice of an index, so that one by identifier, origin or fingerprint is taken,
        // never one that reads the whole bank for each question (which is what a bank that has just begun looks cheap for).
        DB::statement(
            <<<SQL
            UPDATE staged_questions SET duplicate_of = verdict.of, duplicate_by = verdict.by
            FROM (
                SELECT mine.id AS staged, found.of, found.by FROM staged_questions AS mine LEFT JOIN LATERAL (
                    SELECT questions.id AS of, 'identifier' AS by, {$rank(
                DuplicateMatch::Identifier,
            )} AS sure FROM questions WHERE questions.id = mine.source_id AND questions.bank_id IS NOT DISTINCT
                FROM ?::uuid AND binned_at IS NULL AND $made
                    UNION ALL
                    SELECT questions.id, 'origin', {$rank(
                DuplicateMatch::Origin,
            )} FROM questions WHERE questions.bank_id IS NOT DISTINCT
                FROM ?::uuid AND questions.origin_format = mine.origin_format AND questions.origin_identifier = mine.origin_identifier
                AND binned_at IS NULL AND $made
                    UNION ALL
                    SELECT questions.id, 'words', {$rank(
                DuplicateMatch::Words,
            )} FROM questions WHERE questions.bank_id IS NOT DISTINCT
                FROM ?::uuid AND mine.fingerprint <> '' AND questions.fingerprint = mine.fingerprint AND binned_at IS NULL AND $made
                    UNION ALL
                    SELECT twin.id, 'earlier', {$rank(DuplicateMatch::Earlier)} FROM staged_questions AS twin
                    WHERE twin.intake_id = mine.intake_id AND twin.number < mine.number AND NOT twin.skipped
                        AND (twin.source_id = mine.source_id OR (mine.fingerprint <> '' AND twin.fingerprint = mine.fingerprint))
                    ORDER BY sure, of LIMIT 1
                ) AS found ON true
                WHERE mine.intake_id = ?::uuid AND mine.outcome IS NULL AND (?::uuid[] IS NULL OR mine.id = ANY (?::uuid[]))
            ) AS verdict
            WHERE staged_questions.id = verdict.staged AND (duplicate_of, duplicate_by) IS DISTINCT FROM (verdict.of, verdict.by)
                AND NOT (verdict.by IS NULL AND duplicate_by IN ('near', 'near_earlier') AND $kept)
            SQL,
            [$bank, $bank, $bank, $intake, ...array_fill(0, 2, $list)],
        );
    }

    /** What is nearly the same. The first of each band stands for it, so that what many share costs no more, and the bank is read once. */
    private function near(string $intake, ?string $bank): void
    {
        DB::statement(
            <<<SQL
            WITH bands AS MATERIALIZED (
                SELECT id, number, unnest(near) AS band FROM staged_questions
                    WHERE intake_id = ?::uuid AND outcome IS NULL AND duplicate_by IS NULL AND near <> '{}'
            ), there AS (
                SELECT DISTINCT ON (band) band, id FROM (SELECT id, unnest(near) AS band FROM questions
                    WHERE bank_id = ?::uuid AND binned_at IS NULL AND {$this->made(
                $intake,
            )}) AS all_bands WHERE band IN (SELECT band FROM bands) ORDER BY band, id
            ), twins AS (
                SELECT DISTINCT ON (band) band, id, number FROM (SELECT id, number, unnest(near) AS band FROM staged_questions
                    WHERE intake_id = ?::uuid AND NOT skipped) AS all_bands WHERE band IN (SELECT band FROM bands) ORDER BY band, number
            ), found AS (
                SELECT DISTINCT ON (staged) staged, of, by FROM (
                    SELECT bands.id AS staged, there.id AS of, 'near' AS by FROM bands JOIN there USING (band)
                    UNION ALL
                    SELECT bands.id, twins.id, 'near_earlier' FROM bands
                        JOIN twins ON twins.band = bands.band AND twins.number < bands.number
                ) AS each ORDER BY staged, by, of
            )
            UPDATE staged_questions SET duplicate_of = found.of, duplicate_by = found.by FROM found WHERE staged_questions.id = found.staged
            SQL,
            [$intake, $bank, $intake],
        );
    }

    /** Not what this very intake has brought in; the same for every row, so that it is looked up once. */
    private function made(string $intake): string
    {
        return "questions.id NOT IN (SELECT question_id FROM staged_questions WHERE intake_id = '".
            (Str::isUuid($intake) ? $intake : '').
            "'::uuid AND outcome = 'added' AND question_id IS NOT NULL)";
    }
}
