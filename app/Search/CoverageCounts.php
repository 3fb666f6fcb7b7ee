<?php

declare(strict_types=1);

namespace App\Search;

use App\Queries\Topics;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * How many questions of those that meet a filter there are under each node of a tree, by one of their values. Rights stand in the scope, so
 * nothing is counted that may not be read.
 */
final class CoverageCounts
{
    /** What the layers may be, as an expression on questions; a question with several values counts under each. */
    public const BY = [
        'difficulty' => "coalesce(questions.difficulty::text, '')",
        'status' => 'questions.status',
        'kind' => "unnest(CASE WHEN questions.kinds = '{}' THEN '{page}' ELSE questions.kinds END)",
        'purpose' => "unnest(CASE WHEN questions.purpose = '{}' THEN '{\"\"}' ELSE questions.purpose END)",
        'marks' => 'questions.marking',
        'points' => <<<'SQL'
            CASE WHEN questions.points < 2 THEN '1' WHEN questions.points < 4 THEN '2-3' WHEN questions.points < 7 THEN '4-6' ELSE '7+' END
            SQL,
    ];

    /**
     * @param  'framework'|'topics'  $tree
     * @param  string  $id  of the framework, or of the bank whose topics they are
     * @param  list<string>|null  $only  questions, where only some are looked at
     */
    public function __construct(
        private readonly Scope $scope,
        private readonly QuestionFilter $filter,
        private readonly string $tree,
        private readonly string $id,
        private readonly bool $touches = false,
        private readonly bool $through = false,
        private readonly ?array $only = null,
    ) {
    }

    /**
     * @param  list<string>  $by  one or two names of BY
     * @param  string|null  $node  only of this one
     * @return list<object{node: string, value: string, questions: int, approved: int, points: string}&\stdClass>  with two names: other
     */
    public function cells(array $by, ?string $node = null): array
    {
        $names = ['value', 'other'];
        $values = array_map(fn (string $one, int $i): string => self::BY[$one]." AS $names[$i]", $by, array_keys($by));
        $listed = implode(', ', array_slice($names, 0, count($by)));
        $found = $this->found()->selectRaw('questions.id, questions.status, questions.points, '.implode(', ', $values));
        [$aligned, $bound] = $this->aligned();
        $only = $node === null ? '' : 'WHERE node = ?::uuid';

        // Questions are counted by the set of what they are about first, as few sets there are; only these are spread over the tree, each
        // node once. So a question with two statements of a branch counts once there, and nobody has to look at every question twice.
        /** @var list<object{node: string, value: string, questions: int, approved: int, points: string}&\stdClass> */
        return DB::select(
            <<<SQL
                WITH found AS MATERIALIZED ({$found->toSql()}),
                    sets AS (SELECT question_id, array_agg(DISTINCT node) AS nodes FROM ($aligned) AS aligned GROUP BY question_id),
                    counted AS MATERIALIZED (SELECT nodes, $listed, count(*) AS questions,
                        count(*) FILTER (WHERE status = 'approved') AS approved, sum(points) AS points FROM sets JOIN found ON found.id = question_id GROUP BY nodes, $listed)
                SELECT node, $listed, sum(questions)::int AS questions, sum(approved)::int AS approved, sum(points) AS points
                FROM counted CROSS JOIN LATERAL ({$this->spread()}) AS branch $only GROUP BY node, $listed
                SQL,
            [...$found->getBindings(), ...$bound, ...$node === null ? [] : [$node]],
        );
    }

    /** @return \stdClass all: questions that are looked at; without: those under no node of this tree; points of all */
    public function totals(): \stdClass
    {
        $found = $this->found()->selectRaw('questions.id, questions.points, questions.difficulty, questions.purpose');
        [$aligned, $bound] = $this->aligned();
        $row = DB::selectOne(
            <<<SQL
                WITH found AS MATERIALIZED ({$found->toSql()}), aligned AS (SELECT DISTINCT question_id FROM ($aligned) AS each)
                SELECT count(*) AS all, coalesce(sum(points), 0) AS points, count(*) FILTER (WHERE question_id IS NULL) AS without,
                    count(*) FILTER (WHERE difficulty IS NULL) AS no_difficulty, count(*) FILTER (WHERE purpose = '{}') AS no_purpose
                FROM found LEFT JOIN aligned ON aligned.question_id = found.id
                SQL,
            [...$found->getBindings(), ...$bound],
        );
        assert($row instanceof \stdClass);

        return $row;
    }

    private function found(): Builder
    {
        return Conditions::on($this->scope, $this->filter)
            ->when($this->only !== null, fn (Builder $query): Builder => $query->whereRaw('questions.id = ANY (?::uuid[])', [
                '{'.implode(',', $this->only ?? []).'}',
            ]));
    }

    /** @return array{string, list<mixed>} question and node of the tree, each pair once */
    private function aligned(): array
    {
        if ($this->tree === 'topics') {
            $owner = Topics::owner($this->id);
            $column = $owner['team_id'] === null ? 'bank_id' : 'team_id';

            return [
                "SELECT question_id, topic_id AS node FROM question_topics JOIN topics ON topics.id = topic_id AND topics.$column = ?",
                [$owner['team_id'] ?? $owner['bank_id']],
            ];
        }
        $touches = $this->touches ? '' : 'AND NOT touches';
        $direct = <<<SQL
            SELECT question_id, statement_id AS node FROM question_standards
                JOIN statements ON statements.id = statement_id AND framework_id = ? WHERE true $touches
            SQL;
        if (! $this->through) {
            return [$direct, [$this->id]];
        }

        // what says the same, what has come after, and what is broader count; what is only related does not
        return [
            <<<SQL
                $direct
                UNION SELECT question_id, link.to_id FROM question_standards
                    JOIN statement_associations AS link ON link.from_id = statement_id AND link.kind IN ('exact', 'replaced_by', 'broader')
                    JOIN statements ON statements.id = link.to_id AND statements.framework_id = ? WHERE true $touches
                UNION SELECT question_id, link.from_id FROM question_standards
                    JOIN statement_associations AS link ON link.to_id = statement_id AND link.kind = 'exact'
                    JOIN statements ON statements.id = link.from_id AND statements.framework_id = ? WHERE true $touches
                SQL,
            [$this->id, $this->id, $this->id],
        ];
    }

    /** A set of nodes and all they belong to, each once. */
    private function spread(): string
    {
        return $this->tree === 'topics'
            ? <<<'SQL'
                SELECT DISTINCT above.id AS node FROM topics JOIN topics AS above ON topics.path <@ above.path WHERE topics.id = ANY (nodes)
                SQL
            : 'SELECT DISTINCT unnest(above) AS node FROM statements WHERE statements.id = ANY (nodes)';
    }
}
