<?php

declare(strict_types=1);

namespace App\Queries;

use App\Jobs\CountClassified;
use Illuminate\Support\Facades\DB;

/**
 * The stems of classified questions, counted by bank and by statement or topic. They are counted anew when something has changed in the
 * bank: at once where it is small, in the background where it is large, and not more often than need be.
 */
final class ClassifiedWords
{
    private const SMALL = 3000; // questions

    private const FRESH = '30 seconds';

    /** @param  list<string>  $banks */
    public static function keep(array $banks): void
    {
        /** @var list<object{id: string, questions: int}&\stdClass> $stale */
        $stale = DB::select(
            <<<'SQL'
                SELECT banks.id, (SELECT count(*) FROM questions WHERE bank_id = banks.id) AS questions
                FROM banks LEFT JOIN classified_banks AS counted ON counted.bank_id = banks.id
                WHERE banks.id = ANY (?::uuid[]) AND (counted.bank_id IS NULL OR (counted.counted_at < now() - ?::interval
                    AND counted.counted_at < (SELECT max(updated_at) FROM questions WHERE bank_id = banks.id)))
                SQL,
            ['{'.implode(',', $banks).'}', self::FRESH],
        );
        foreach ($stale as $bank) {
            if ($bank->questions <= self::SMALL) {
                self::count($bank->id);
            } else {
                // noted first, so that it is not asked for again while it goes on
                DB::insert(
                    <<<'SQL'
                        INSERT INTO classified_banks VALUES (?, now(), ?) ON CONFLICT (bank_id) DO UPDATE SET counted_at = now()
                        SQL,
                    [$bank->id, $bank->questions],
                );
                CountClassified::dispatch($bank->id);
            }
        }
    }

    public static function count(string $bank): void
    {
        DB::transaction(function () use ($bank): void {
            DB::select('SELECT pg_advisory_xact_lock(hashtext(?))', ["classified $bank"]);
            DB::delete('DELETE FROM classified_words WHERE bank_id = ?', [$bank]);
            DB::insert(
                <<<'SQL'
                    WITH classified AS (
                        SELECT DISTINCT questions.id, statement_id AS node FROM question_standards
                            JOIN questions ON questions.id = question_id
                            WHERE questions.bank_id = ? AND questions.binned_at IS NULL AND statement_id IS NOT NULL
                        UNION SELECT questions.id, topic_id FROM question_topics JOIN questions ON questions.id = question_id
                            WHERE questions.bank_id = ? AND questions.binned_at IS NULL),
                    counted AS MATERIALIZED (
                        SELECT lexeme AS word, node, count(*) AS questions FROM classified
                            JOIN question_search ON question_search.question_id = classified.id, unnest(question_search.words)
                            WHERE lexeme LIKE '~%' GROUP BY 1, 2)
                    INSERT INTO classified_words (bank_id, word, nodes, questions, stems)
                    SELECT ?::uuid, word, array_agg(node), array_agg(questions), NULL FROM counted GROUP BY word
                    UNION ALL SELECT ?::uuid, '', array_agg(node), array_agg(each.questions), array_agg(coalesce(known.stems, 0)) FROM (
                        SELECT node, count(*) AS questions FROM classified GROUP BY node) AS each
                        LEFT JOIN (SELECT node, sum(questions) AS stems FROM counted GROUP BY node) AS known USING (node)
                        HAVING count(*) > 0
                    SQL,
                [$bank, $bank, $bank, $bank],
            );
            DB::insert(
                <<<'SQL'
                    INSERT INTO classified_banks SELECT ?, now(), count(*) FROM questions WHERE bank_id = ?
                    ON CONFLICT (bank_id) DO UPDATE SET counted_at = excluded.counted_at, questions = excluded.questions
                    SQL,
                [$bank, $bank],
            );
        });
    }
}
