<?php

declare(strict_types=1);

namespace App\Search;

use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Malformed;

/**
 * Pages of the questions that meet a filter, by keyset: the next page begins after the last row, whatever was added meanwhile.
 *
 * @phpstan-import-type FoundRow from QuestionRows
 */
final class QuestionSearch
{
    public const PAGE = 60;

    private const COLUMNS = [
        'questions.id',
        'questions.bank_id',
        'questions.title',
        'questions.stem',
        'questions.kinds',
        'questions.points',
        'questions.difficulty',
        'questions.status',
        'questions.uses',
        'questions.named',
        'questions.revision',
        'questions.has_variables',
        'questions.has',
        'questions.is_complete',
        'questions.specimens',
        'questions.specimens_failing',
        'questions.tags',
        'questions.author',
        'questions.updated_at',
    ];

    public function __construct(private readonly Breadth $breadth = new Breadth)
    {
    }

    /**
     * By relevance, questions with all the words in their titles come first. Among them and among the others, the most relevant come
     * first (ts_rank); or, when many questions have the words, those changed last: ranking them all would take longer than anybody waits.
     *
     * @return array{list<FoundRow>, string|null, int|null} rows, the cursor of the next page, and how many there are where all of them
     *     were found anyway
     *
     * @throws Malformed
     */
    public function page(Scope $scope, QuestionFilter $filter, ?string $cursor): array
    {
        $from = $cursor === null ? null : Cursor::read($cursor);
        $isBroad = $from === null ? $this->breadth->of($filter) : $from->isBroad;
        if ($from === null && ! $isBroad && ! $filter->words->isEmpty()) {
            return $this->firstOfFew($scope, $filter);
        }
        /** @var list<FoundRow> $rows */
        $rows = [];
        foreach ($filter->sort === 'best' ? [true, false] : [null] as $inTitle) {
            if ($inTitle === true && $from?->inTitle === false) {
                continue;
            }
            $query = $this->matching($scope, $filter, $isBroad, $inTitle)->select(self::COLUMNS);
            Order::of($filter, $isBroad)->on($query, $from?->inTitle === $inTitle ? $from : null);
            /** @var \Illuminate\Support\Collection<int, FoundRow> $some */
            $some = $query->limit(self::PAGE + 1 - count($rows))->get();
            foreach ($some as $row) {
                $row->in_title = $inTitle; // the last of a page may have it, and the one after it not
                $rows[] = $row;
            }
            if (count($rows) > self::PAGE) {
                break;
            }
        }

        return [...self::cut($rows, $isBroad), null];
    }

    /**
     * The first page of few: the words are looked for once, for the page, for which of them are in titles, and for the count.
     *
     * @return array{list<FoundRow>, string|null, int}
     */
    private function firstOfFew(Scope $scope, QuestionFilter $filter): array
    {
        $query = Conditions::on($scope, $filter, plan: WordPlan::WordsFirst)
            ->select(self::COLUMNS)
            ->selectRaw('count(*) OVER () AS found');
        if ($filter->sort === 'best') {
            $query
                ->selectRaw('('.Breadth::TITLE.' @@ ?::tsquery) IS TRUE AS in_title', [Stems::tsquery($filter->words)])
                ->orderByRaw('in_title DESC');
        } else {
            $query->selectRaw('NULL::bool AS in_title');
        }
        Order::of($filter, false)->on($query, null);
        /** @var list<FoundRow> $rows */
        $rows = $query
            ->limit(self::PAGE + 1)
            ->get()
            ->all();
        $found = $rows[0]->found ?? 0;
        assert(is_int($found));

        return [...self::cut($rows, false), $found];
    }

    /**
     * @param  list<FoundRow>  $rows  one more than a page where another follows
     * @return array{list<FoundRow>, string|null}
     */
    private static function cut(array $rows, bool $isBroad): array
    {
        if (count($rows) <= self::PAGE) {
            return [$rows, null];
        }
        array_pop($rows);

        return [$rows, (string) Cursor::after($rows[self::PAGE - 1], $isBroad)];
    }

    public function count(Scope $scope, QuestionFilter $filter): int
    {
        return Conditions::on($scope, $filter, plan: $this->breadth->plan($filter))->count();
    }

    /** How many meet a filter, as long as they are no more than so many; else null. */
    public function countUpTo(Scope $scope, QuestionFilter $filter, int $many): ?int
    {
        $count = DB::query()
            ->fromSub(
                Conditions::on($scope, $filter, plan: $this->breadth->plan($filter))
                    ->select('questions.id')
                    ->limit($many + 1),
                'some',
            )
            ->count();

        return $count > $many ? null : $count;
    }

    /** As countUpTo, but null as well where the words are so common that even so many take long to count. */
    public function countQuickly(Scope $scope, QuestionFilter $filter, int $many): ?int
    {
        return $this->breadth->of($filter) ? null : $this->countUpTo($scope, $filter, $many);
    }

    /**
     * The ids that meet a filter, in their order.
     *
     * @param  string|null  $after  only those behind this one
     * @param  string|null  $until  only those made by then
     * @return list<string>
     */
    public function ids(Scope $scope, QuestionFilter $filter, ?string $after = null, ?int $most = null, ?string $until = null): array
    {
        $query = Conditions::on($scope, $filter, plan: $this->breadth->plan($filter))->orderBy('questions.id');
        if ($after !== null) {
            $query->where('questions.id', '>', $after);
        }
        if ($until !== null) {
            $query->where('questions.created_at', '<=', $until);
        }
        if ($most !== null) {
            $query->limit($most);
        }

        return array_values(array_filter($query->pluck('questions.id')->all(), is_string(...)));
    }

    /** @param  bool|null  $inTitle  only those with, or without, all the words in their titles; null for all */
    private function matching(Scope $scope, QuestionFilter $filter, bool $isBroad, ?bool $inTitle): Builder
    {
        if ($inTitle && $isBroad && ! $this->breadth->inTitles($filter, $scope)) {
            return Conditions::on($scope, $filter, plan: WordPlan::TitlesFirst);
        }
        $query = Conditions::on($scope, $filter, plan: $isBroad ? WordPlan::OrderFirst : WordPlan::WordsFirst);

        return $inTitle === null
            ? $query
            : $query->whereRaw('('.Breadth::TITLE.' @@ ?::tsquery) IS '.($inTitle ? 'TRUE' : 'NOT TRUE'), [Stems::tsquery($filter->words)]);
    }
}
