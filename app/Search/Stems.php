<?php

declare(strict_types=1);

namespace App\Search;

use App\Indexing\QuestionIndex;
use Illuminate\Support\Facades\DB;
use WideQuarry\Search\Query;

/**
 * Words looked for as PostgreSQL is asked for them, with their stems in English; a text in another language is found by its words as they
 * stand.
 */
final class Stems
{
    private const KEPT = 500;

    /** @var array<string, string> word → stem, '' for a word without one; a dictionary does not change, so they are kept */
    private static array $stems = [];

    public static function tsquery(Query $words): string
    {
        return $words->tsquery(self::of($words));
    }

    /** @return array<string, string> */
    private static function of(Query $query): array
    {
        $words = $query->stemmable();
        $unknown = array_values(array_filter($words, fn (string $word): bool => ! isset(self::$stems[$word])));
        if ($unknown !== []) {
            self::$stems = count(self::$stems) > self::KEPT ? [] : self::$stems;
            /** @var list<object{word: string, stem: string|null}&\stdClass> $rows */
            $rows = DB::select("SELECT word, (ts_lexize('english_stem', word))[1] AS stem FROM unnest(?::text[]) AS word", [
                QuestionIndex::array($unknown),
            ]);
            foreach ($rows as $row) {
                self::$stems[$row->word] = $row->stem ?? '';
            }
        }

        return array_filter(array_intersect_key(self::$stems, array_flip($words)), fn (string $stem): bool => $stem !== '');
    }
}
