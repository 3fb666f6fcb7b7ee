<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Support\Facades\DB;

/**
 * Whether many questions have certain words. Few are found by their words and then sorted; with many, an order's own index is walked
 * until a page is full. The planner cannot tell, as a tsquery of several words has no useful estimate, so it is counted up to a bound.
 */
final class Breadth
{
    /** The words of titles, which have an index of their own. */
    public const TITLE = "ts_filter(words, '{a}')";

    /** @var array<string, bool> a list asks for the same words several times */
    private array $known = [];

    /** @param  int  $many  more than so many are too many to rank while somebody waits */
    public function __construct(private readonly int $many = 4_000)
    {
    }

    public function plan(QuestionFilter $filter): WordPlan
    {
        return $this->of($filter) ? WordPlan::OrderFirst : WordPlan::WordsFirst;
    }

    /** In all banks: the answer chooses a plan, and what ranks within what has the words in its title. */
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

    private function exceeds(string $vector, string $tsquery): bool
    {
        // OFFSET 0 keeps the bound from turning the words' index into a walk over the table.
        return DB::scalar(
            "SELECT count(*) FROM (SELECT FROM (SELECT FROM question_search WHERE $vector @@ ?::tsquery OFFSET 0) AS found LIMIT ?) AS bounded",
            [$tsquery, $this->many + 1],
        ) > $this->many;
    }
}
