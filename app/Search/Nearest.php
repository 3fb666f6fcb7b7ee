<?php

declare(strict_types=1);

namespace App\Search;

use App\Indexing\QuestionIndex;
use Illuminate\Support\Facades\DB;
use WideQuarry\Answer\EditDistance;

/** What somebody may have meant: words that no question of a bank has, replaced by the nearest one that some have. */
final class Nearest
{
    private const MOST = 12;

    /**
     * @param  list<string>  $banks
     * @return string|null the words as typed, with those that are nowhere replaced; null when nothing nearer is known
     */
    public static function to(array $banks, string $typed): ?string
    {
        preg_match_all('/(?<![\p{L}\p{N}])\p{L}{4,40}(?![\p{L}\p{N}])/u', $typed, $found, PREG_OFFSET_CAPTURE);
        $words = array_slice($found[0], 0, self::MOST);
        $near = $words === [] ? [] : self::near($banks, array_map(fn (array $one): string => mb_strtolower($one[0]), $words));
        $meant = $typed;
        foreach (array_reverse($words) as [$word, $at]) {
            $meant = substr_replace($meant, $near[mb_strtolower($word)] ?? $word, $at, strlen($word));
        }

        return $meant === $typed ? null : $meant;
    }

    /**
     * The database finds what is two edits away at most; two letters exchanged, which are two edits to it, are one slip to people.
     *
     * @param  list<string>  $banks
     * @param  list<string>  $words
     * @return array<string, string> word → the nearest there is; those that are there, or have none, are missing
     */
    private static function near(array $banks, array $words): array
    {
        $best = [];
        /** @var list<object{word: string, near: string}&\stdClass> $pairs */
        $pairs = DB::select(
            <<<'SQL'
            SELECT DISTINCT given.word, known.word AS near FROM unnest(?::text[]) AS given (word)
            JOIN bank_words AS known ON known.bank_id = ANY (?::uuid[]) AND length(known.word) BETWEEN length(given.word) - 2
                AND length(given.word) + 2 AND levenshtein_less_equal(known.word, given.word, 2) <= 2
            WHERE NOT EXISTS (SELECT 1 FROM bank_words AS there WHERE there.bank_id = ANY (?::uuid[]) AND there.word = given.word)
                ORDER BY given.word, near
            SQL,
            [QuestionIndex::array($words), '{'.implode(',', $banks).'}', '{'.implode(',', $banks).'}'],
        );
        foreach ($pairs as $row) {
            $slips = EditDistance::between($row->word, $row->near, mb_strlen($row->word) < 6 ? 1 : 2);
            $rank = $slips === null ? null : [$slips, mb_substr($row->word, 0, 1) === mb_substr($row->near, 0, 1) ? 0 : 1, $row->near];
            if ($rank !== null && $rank < ($best[$row->word] ?? [9, 9, ''])) {
                $best[$row->word] = $rank;
            }
        }

        return array_map(fn (array $rank): string => $rank[2], $best);
    }
}
