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

    /** So many of the newest questions of a bank are looked at to see how common words are in their titles. */
    private const PROBED = 500;

    /** The words of titles, which have an index of their own. */
    public const TITLE = "ts_filter(words, '{a}')";

    /** Rows of a page, and one more to see whether another follows. */
    private const PAGE = QuestionSearch::PAGE + 1;

    /** @var array<string, bool> a list asks for the same words several times */
    private array $known = [];

    /**
     * @param  int  $many  more matches than this take too long to rank while somebody waits; fewer are always found by their words
     * @param  float  $common  the share of titles from which on a page is full after a few thousand rows
     */
    public function __construct(private readonly int $many = 4_000, private readonly float $common = 0.02)
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
        $isRanked = $filter->sort === 'best';

        return $this->known[($isRanked ? 'ranked ' : 'sorted ').$tsquery] ??= $this->exceeds('words', $tsquery, $isRanked);
    }

    /**
     * Whether so many have the words in their titles that walking the order is quicker than sorting those that have them. In one bank the
     * newest tell, where the walk begins: PostgreSQL's estimate for the beginning of a word is often just a constant.
     */
    public function inTitles(QuestionFilter $filter, Scope $scope): bool
    {
        $tsquery = Stems::tsquery($filter->words);

        return $this->known["title $tsquery"] ??= $scope->isOne
            ? $this->areCommon($tsquery, $scope->banks[0])
            : $this->exceeds(self::TITLE, $tsquery, true);
    }

    private function areCommon(string $tsquery, string $bank): bool
    {
        $title = self::TITLE;
        $having = DB::scalar(
            <<<SQL
                SELECT count(*) FROM (
                    SELECT id FROM questions WHERE bank_id = ? AND binned_at IS NULL ORDER BY updated_at DESC, id LIMIT ?
                ) AS newest JOIN question_search ON question_id = newest.id WHERE ($title @@ ?::tsquery) IS TRUE
                SQL,
            [$bank, self::PROBED, $tsquery],
        );

        return $having >= self::PROBED * $this->common;
    }

    /** How many rows PostgreSQL expects, which takes a millisecond whatever they are. */
    public static function estimate(Builder $query): int
    {
        $plan = DB::scalar("EXPLAIN (FORMAT JSON) {$query->toSql()}", $query->getBindings());

        return preg_match('/"Plan Rows": (\d+)/', is_string($plan) ? $plan : '', $rows) === 1 ? (int) $rows[1] : 0;
    }

    private function exceeds(string $vector, string $tsquery, bool $isRanked): bool
    {
        $estimate = self::estimate(DB::table('question_search')->whereRaw("$vector @@ ?::tsquery", [$tsquery]));
        if ($estimate < $this->many) {
            return false;
        }
        $many = $isRanked ? $this->many : max($this->many, $this->breakEven());
        if ($estimate < $many || $estimate > $many * self::SURELY) {
            return $estimate > $many;
        }

        // OFFSET 0 keeps the bound from turning the words' index into a walk over the table.
        return DB::scalar(
            <<<SQL
                SELECT count(*) FROM (
                    SELECT FROM (SELECT FROM question_search WHERE $vector @@ ?::tsquery OFFSET 0) AS found LIMIT ?
                ) AS bounded
                SQL,
            [$tsquery, $many + 1],
        ) > $many;
    }

    /**
     * How many matches it takes for the walk along an order to look at fewer questions than finding and sorting all matches does. Where m
     * of n questions match, spread evenly, the walk looks at n/m of them for each row of the page, and they are as many as m where m² is n
     * times the page.
     */
    private function breakEven(): int
    {
        $all = DB::scalar("SELECT reltuples FROM pg_class WHERE oid = 'question_search'::regclass");

        return is_numeric($all) ? (int) sqrt(max(0, self::PAGE * (float) $all)) : 0;
    }
}
