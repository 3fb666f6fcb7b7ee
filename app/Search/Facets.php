<?php

declare(strict_types=1);

namespace App\Search;

use App\Queries\Topics;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/** How many questions each value of a dimension would leave, its own condition set aside. */
final class Facets
{
    private const MOST = 60;

    /** Dimensions whose values stand in a column of the question, or in a list there. */
    private const COLUMNS = [
        'kind' => "unnest(CASE WHEN questions.kinds = '{}' THEN '{page}' ELSE questions.kinds END)",
        'tag' => 'unnest(questions.tags)',
        'purpose' => 'unnest(questions.purpose)',
        'has' => 'unnest(questions.has)',
        'author' => 'questions.author',
        'level' => 'questions.level',
        'licence' => 'questions.licence',
        'source' => 'questions.source',
        'work' => 'questions.work',
        'language' => 'questions.language',
        'marks' => 'questions.marking',
        'status' => 'questions.status',
        'difficulty' => 'questions.difficulty::text',
    ];

    /** @param  int  $exactUpTo  matches up to which every one is counted */
    public function __construct(
        private readonly QuestionSearch $search = new QuestionSearch,
        private readonly int $exactUpTo = 10_000,
        private readonly Breadth $breadth = new Breadth,
    ) {
    }

    public function isSampled(Scope $scope, QuestionFilter $filter): bool
    {
        $estimate = Breadth::estimate(Conditions::on($scope, $filter, plan: WordPlan::Any));
        if ($estimate < $this->exactUpTo / 2 || $estimate > $this->exactUpTo * 2) {
            return $estimate > $this->exactUpTo;
        }

        return $this->search->countUpTo($scope, $filter, $this->exactUpTo) === null;
    }

    /**
     * Several dimensions at once: which questions meet the filter is found out once, for all that it sets no condition on.
     *
     * @param  list<string>  $dimensions
     * @param  bool  $sampled  whether counts are reckoned from a sample
     * @return array<string, list<array{value: string, count: int, name?: string}>> by dimension
     */
    public function several(array $dimensions, Scope $scope, QuestionFilter $filter, bool $sampled): array
    {
        $free = array_values(array_filter($dimensions, fn (string $name): bool => ($filter->values[$name] ?? []) === []));
        $found = count($free) < 2 ? null : $this->ids($this->meeting($scope, $filter, null, $sampled));
        $counts = [];
        foreach ($dimensions as $dimension) {
            $counts[$dimension] =
                $found !== null && in_array($dimension, $free, true)
                    ? $this->counted($dimension, $scope, self::those($found), $sampled)
                    : $this->of($dimension, $scope, $filter, $sampled);
        }

        return $counts;
    }

    /**
     * @param  bool  $sampled  whether counts are reckoned from a sample
     * @return list<array{value: string, count: int, name?: string}> the most frequent first, or in the order of a scale; name: of a person
     */
    public function of(string $dimension, Scope $scope, QuestionFilter $filter, bool $sampled = false): array
    {
        return $this->counted($dimension, $scope, $this->meeting($scope, $filter, $dimension, $sampled), $sampled);
    }

    private static function those(string $ids): Builder
    {
        return DB::table('questions')->whereRaw('questions.id = ANY (?::uuid[])', [$ids]);
    }

    /** As an array of PostgreSQL. */
    private function ids(Builder $query): string
    {
        return '{'.$query->pluck('questions.id')->implode(',').'}';
    }

    private function meeting(Scope $scope, QuestionFilter $filter, ?string $except, bool $sampled): Builder
    {
        return Conditions::on($scope, $filter, $except, $this->breadth->plan($filter, $sampled), $sampled);
    }

    /** @return list<array{value: string, count: int, name?: string}> */
    private function counted(string $dimension, Scope $scope, Builder $query, bool $sampled): array
    {
        $column = self::COLUMNS[$dimension] ?? null;
        $rows = $column !== null ? $this->grouped(self::without($query, $dimension), $column) : match ($dimension) {
            'by' => $this->people($query->join('users', 'users.id', '=', 'questions.created_by'), 'count(*)'),
            'editor' => $this->people(
                $query
                    ->join('revisions', 'revisions.question_id', '=', 'questions.id')
                    ->where('revisions.number', '>', 1)
                    ->join('users', 'users.id', '=', 'revisions.author_id'),
                'count(DISTINCT questions.id)',
            ),
            'is' => $this->flags($query),
            'no' => $this->missing($query),
            'titled' => $this->titled($scope, $query),
            'standard' => $this->standards($query),
            'framework' => $this->frameworks($query),
            'unmatched' => $this->unmatched($query),
            'bank' => $this->banks($query),
            default => $scope->isOne ? $this->places($dimension, $scope->banks[0], $query) : [],
        };

        return array_map(
            fn (\stdClass $row): array => [
                'value' => self::text($row->value),
                'count' => $sampled ? self::about((int) self::text($row->count)) : (int) self::text($row->count),
                ...isset($row->name) ? ['name' => self::text($row->name)] : [],
            ],
            $rows,
        );
    }

    /** Values that do not count as one. */
    private static function without(Builder $query, string $dimension): Builder
    {
        return match ($dimension) {
            'difficulty' => $query->whereNotNull('questions.difficulty'),
            'marks' => $query->where('questions.marking', '<>', ''),
            'author', 'level', 'licence', 'source', 'work' => $query->where("questions.$dimension", '<>', ''),
            default => $query,
        };
    }

    /** @return list<\stdClass> */
    private function people(Builder $query, string $count): array
    {
        return array_values(
            $query
                ->selectRaw("users.id AS value, users.name, $count AS count")
                ->groupBy('users.id', 'users.name')
                ->orderByRaw('3 DESC, 2')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /** @return list<\stdClass> */
    private function banks(Builder $query): array
    {
        return array_values(
            $query
                ->join('banks', 'banks.id', '=', 'questions.bank_id')
                ->selectRaw('banks.slug AS value, banks.name, count(*) AS count')
                ->groupBy('banks.slug', 'banks.name')
                ->orderByRaw('3 DESC, 2')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /** @return list<\stdClass> of the trees of one bank */
    private function places(string $dimension, string $bank, Builder $query): array
    {
        return match ($dimension) {
            'topic' => $this->under('topics', 'question_topics', 'topic_id', Topics::owner($bank), $query),
            'folder' => $this->under('folders', 'placements', 'folder_id', ['bank_id' => $bank], $query),
            'place' => array_values(
                $query
                    ->join('placements', 'placements.question_id', '=', 'questions.id')
                    ->join(
                        'folders',
                        fn (JoinClause $join) => $join->on('folders.id', '=', 'placements.folder_id')->where('folders.bank_id', $bank),
                    )
                    ->selectRaw('folders.id AS value, count(*) AS count')
                    ->groupBy('folders.id')
                    ->get()
                    ->all(),
            ),
            default => [],
        };
    }

    /** To two figures, as far as a sample goes. */
    private static function about(int $counted): int
    {
        $count = $counted * Conditions::SAMPLE;

        return (int) round($count, $count > 99 ? 2 - strlen((string) $count) : 0);
    }

    /** @return list<\stdClass> */
    private function grouped(Builder $query, string $expression): array
    {
        return array_values(
            $query
                ->selectRaw("$expression AS value, count(*) AS count")
                ->groupByRaw('1')
                ->orderByRaw('2 DESC, 1')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /**
     * Topics by their titles, whichever bank or branch they stand in, with everything below them.
     *
     * @return list<\stdClass>
     */
    private function titled(Scope $scope, Builder $query): array
    {
        return array_values(
            DB::table('question_topics')
                ->join('topics', 'topics.id', '=', 'question_topics.topic_id')
                ->join('topics AS above', fn (JoinClause $join) => $join->whereRaw('topics.path OPERATOR(public.<@) above.path'))
                ->joinSub($query->select('questions.id'), 'found', 'found.id', '=', 'question_topics.question_id')
                ->selectRaw('above.title AS value, count(DISTINCT question_topics.question_id) AS count')
                ->groupBy('above.title')
                ->orderByRaw('2 DESC, 1')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /**
     * Each statement with everything below it; a question under two statements of a branch counts once.
     *
     * @return list<\stdClass>
     */
    private function standards(Builder $query): array
    {
        $each = DB::table('question_standards')
            ->join('statements', 'statements.id', '=', 'question_standards.statement_id')
            ->joinSub($query->select('questions.id'), 'found', 'found.id', '=', 'question_standards.question_id')
            ->selectRaw('DISTINCT unnest(statements.above) AS value, question_standards.question_id');

        return array_values(DB::query()->fromSub($each, 'one')->selectRaw('value, count(*) AS count')->groupBy('value')->get()->all());
    }

    /** @return list<\stdClass> */
    private function frameworks(Builder $query): array
    {
        return array_values(
            DB::table('question_standards')
                ->join('statements', 'statements.id', '=', 'question_standards.statement_id')
                ->join('frameworks', 'frameworks.id', '=', 'statements.framework_id')
                ->joinSub($query->select('questions.id'), 'found', 'found.id', '=', 'question_standards.question_id')
                ->selectRaw(
                    <<<'SQL'
                        frameworks.id AS value, trim(frameworks.title || ' ' || frameworks.version) AS name,
                            count(DISTINCT question_standards.question_id) AS count
                        SQL,
                )
                ->groupBy('frameworks.id')
                ->orderByRaw('3 DESC, 2')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /** @return list<\stdClass> codes that belong to no statement here */
    private function unmatched(Builder $query): array
    {
        return array_values(
            DB::table('question_standards')
                ->whereNull('statement_id')
                ->joinSub($query->select('questions.id'), 'found', 'found.id', '=', 'question_standards.question_id')
                ->selectRaw('code AS value, max(framework) AS name, count(DISTINCT question_id) AS count')
                ->groupBy('code')
                ->orderByRaw('3 DESC, 1')
                ->limit(self::MOST)
                ->get()
                ->all(),
        );
    }

    /** @return list<\stdClass> */
    private function flags(Builder $query): array
    {
        $row = $query
            ->selectRaw(
                str_replace('{{unseen}}', Conditions::UNSEEN, <<<'SQL'
                count(*) FILTER (WHERE questions.has_variables) AS varies, count(*) FILTER (WHERE NOT questions.is_complete) AS incomplete,
                count(*) FILTER (WHERE questions.specimens > 0) AS specimens,
                    count(*) FILTER (WHERE questions.specimens_failing > 0) AS failing, count(*) FILTER (WHERE {{unseen}}) AS unseen,
                count(*) FILTER (WHERE EXISTS (SELECT 1 FROM question_stimuli WHERE question_stimuli.question_id = questions.id)) AS shares,
                count(*) FILTER (WHERE questions.uses > 0) AS used
                SQL),
            )
            ->first();

        return array_map(fn (string $name): \stdClass => (object) ['value' => $name, 'count' => $row->{$name} ?? 0], [
            'varies',
            'incomplete',
            'specimens',
            'failing',
            'shares',
            'used',
            'unseen',
        ]);
    }

    /** @return list<\stdClass> */
    private function missing(Builder $query): array
    {
        $row = $query
            ->selectRaw(
                <<<'SQL'
                count(*) FILTER (WHERE NOT EXISTS (SELECT 1 FROM question_topics
                    WHERE question_topics.question_id = questions.id)) AS topic,
                count(*) FILTER (WHERE NOT EXISTS (SELECT 1 FROM question_standards
                    WHERE question_standards.question_id = questions.id)) AS standard,
                count(*) FILTER (WHERE questions.tags = '{}') AS tag, count(*) FILTER (WHERE questions.difficulty IS NULL) AS difficulty,
                count(*) FILTER (WHERE NOT EXISTS (SELECT 1 FROM placements WHERE placements.question_id = questions.id)) AS folder,
                count(*) FILTER (WHERE questions.author = '') AS author, count(*) FILTER (WHERE questions.level = '') AS level,
                    count(*) FILTER (WHERE questions.purpose = '{}') AS purpose,
                count(*) FILTER (WHERE questions.licence = '') AS licence, count(*) FILTER (WHERE questions.source = '') AS source,
                    count(*) FILTER (WHERE questions.minutes IS NULL) AS minutes, count(*) FILTER (WHERE NOT questions.named) AS name
                SQL,
            )
            ->first();

        return array_map(
            fn (string $name): \stdClass => (object) ['value' => $name, 'count' => $row->{$name} ?? 0],
            QuestionFilter::MISSING,
        );
    }

    /**
     * Each branch of a tree with everything below it; a question under two twigs of a branch counts once.
     *
     * @param  array<string, string|null>  $owner
     * @return list<\stdClass>
     */
    private function under(string $tree, string $joins, string $column, array $owner, Builder $query): array
    {
        $nodes = DB::table($tree)
            ->where($owner)
            ->select(['id', 'path']);
        $below = DB::query()
            ->fromSub($nodes, 'above')
            ->joinSub($nodes, 'below', fn (JoinClause $join) => $join->whereRaw('below.path OPERATOR(public.<@) above.path'))
            ->select(['above.id AS branch', 'below.id AS twig']);

        return array_values(
            DB::query()
                ->fromSub($below, 'tree')
                ->join($joins, "$joins.$column", '=', 'tree.twig')
                ->joinSub($query->select('questions.id'), 'found', 'found.id', '=', "$joins.question_id")
                ->selectRaw("tree.branch AS value, count(DISTINCT $joins.question_id) AS count")
                ->groupBy('tree.branch')
                ->get()
                ->all(),
        );
    }

    /** Numbers and words alike. */
    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
