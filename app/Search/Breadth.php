<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Whether many questions have certain words. Few are found by their words and then sorted; with many, an order's own index is walked
 * until a page is full. PostgreSQL's estimate says which where it is far from the bound: it takes the words of a query for independent,
 * and so says too many rather than too few. Near it, they are counted.
 */
final class Breadth
{
    /** An estimate this many times the bound is right even when it is poor. */
    private const SURELY = 3;

    /** From this many times the bound on, going through the sample is quicker than going through the matches. */
    private const SAMPLED = 15;

    /** The words of titles, which have an index of their own. */
    public const TITLE = "ts_filter(words, '{a}')";

    /** @var array<string, bool> a list asks for the same words several times */
    private array $known = [];

    /** @param  int  $many  more matches than this take too long to rank while somebody waits */
    public function __construct(private readonly int $many = 4_000)
    {
    }

    /**
     * For all that meet a filter, or the sample of them.
     *
     * @return WordPlan|null null where there are no words
     */
    public function plan(QuestionFilter $filter, bool $sampled = false): ?WordPlan
    {
        if ($filter->words->isEmpty()) {
            return null;
        }
        if (! $sampled) {
            return $this->of($filter) ? WordPlan::Any : WordPlan::WordsFirst;
        }
        $having = DB::table('question_search')->whereRaw('words @@ ?::tsquery', [Stems::tsquery($filter->words)]);

        return self::estimate($having) < $this->many * self::SAMPLED ? WordPlan::WordsFirst : WordPlan::OrderFirst;
    }

    /** Counted over all banks, as it only decides how to search and what to sort by. */
    public function of(QuestionFilter $filter): bool
    {
        if ($filter->words->isEmpty()) {
            return false;
        }
        $tsquery = Stems::tsquery($filter->words);

        return $this->known[$tsquery] ??= $this->exceeds('words', $tsquery);
    }

    public function inTitles(QuestionFilter $filter): bool
    {
        $tsquery = Stems::tsquery($filter->words);

        return $this->known["title $tsquery"] ??= $this->exceeds(self::TITLE, $tsquery);
    }

    /** How many rows PostgreSQL expects, which takes a millisecond whatever they are. */
    public static function estimate(Builder $query): int
    {
        $plan = DB::scalar("EXPLAIN (FORMAT JSON) {$query->toSql()}", $query->getBindings());

        return preg_match('/"Plan Rows": (\d+)/', is_string($plan) ? $plan : '', $rows) === 1 ? (int) $rows[1] : 0;
    }

    private function exceeds(string $vector, string $tsquery): bool
    {
        $estimate = self::estimate(DB::table('question_search')->whereRaw("$vector @@ ?::tsquery", [$tsquery]));
        if ($estimate < $this->many || $estimate > $this->many * self::SURELY) {
            return $estimate > $this->many;
        }

        // OFFSET 0 keeps the bound from turning the words' index into a walk over the table.
        return DB::scalar(
            <<<SQL
                SELECT count(*) FROM (
                    SELECT FROM (SELECT FROM question_search WHERE $vector @@ ?::tsquery OFFSET 0) AS found LIMIT ?
                ) AS bounded
                SQL,
            [$tsquery, $this->many + 1],
        ) > $this->many;
    }
}
