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
        'points' => "CASE WHEN questions.points < 2 THEN '1' WHEN questions.points < 4 THEN '2-3' WHEN questions.points < 7 THEN '4-6' ELSE '7+' END",
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
        [$each, $bound] = $this->each();
        $only = $node === null ? '' : 'WHERE node = ?::uuid';

        /** @var list<object{node: string, value: string, questions: int, approved: int, points: string}&\stdClass> */
        return DB::select(
            <<<SQL
                WITH found AS MATERIALIZED ({$found->toSql()}), here AS MATERIALIZED (SELECT DISTINCT id FROM found), each AS ($each)
                SELECT node, $listed, count(*) AS questions, count(*) FILTER (WHERE status = 'approved') AS approved, sum(points) AS points
                FROM each JOIN found ON found.id = each.question_id $only GROUP BY node, $listed
                SQL,
            [...$found->getBindings(), ...$bound, ...$node === null ? [] : [$node]],
        );
    }

    /** @return \stdClass all: questions that are looked at; without: those under no node of this tree; points of all */
    public function totals(): \stdClass
    {
        $found = $this->found()->selectRaw('questions.id, questions.points, questions.difficulty, questions.purpose');
        [$each, $bound] = $this->each();
        $row = DB::selectOne(
            <<<SQL
                WITH found AS MATERIALIZED ({$found->toSql()}), here AS (SELECT id FROM found), each AS ($each)
                SELECT count(*) AS all, coalesce(sum(points), 0) AS points,
                    count(*) FILTER (WHERE id NOT IN (SELECT question_id FROM each)) AS without,
                    count(*) FILTER (WHERE difficulty IS NULL) AS no_difficulty, count(*) FILTER (WHERE purpose = '{}') AS no_purpose
                FROM found
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

    /** @return array{string, list<mixed>} node and question, each pair once; needs `here` */
    private function each(): array
    {
        if ($this->tree === 'topics') {
            $owner = Topics::owner($this->id);
            $column = $owner['team_id'] === null ? 'bank_id' : 'team_id';

            return [
                <<<SQL
                    SELECT DISTINCT above.id AS node, question_topics.question_id FROM question_topics JOIN here ON here.id = question_id
                    JOIN topics ON topics.id = topic_id AND topics.$column = ? JOIN topics AS above ON topics.path <@ above.path
                    SQL,
                [$owner['team_id'] ?? $owner['bank_id']],
            ];
        }
        $touches = $this->touches ? '' : 'AND NOT touches';
        $direct = "SELECT question_id, statement_id FROM question_standards JOIN here ON here.id = question_id WHERE true $touches";
        // what says the same, what has come after, and what is broader count; what is only related does not
        $crossed = <<<SQL
            SELECT question_id, link.to_id FROM question_standards JOIN here ON here.id = question_id
                JOIN statement_associations AS link ON link.from_id = statement_id AND link.kind IN ('exact', 'replaced_by', 'broader')
                WHERE true $touches
            UNION SELECT question_id, link.from_id FROM question_standards JOIN here ON here.id = question_id
                JOIN statement_associations AS link ON link.to_id = statement_id AND link.kind = 'exact' WHERE true $touches
            SQL;
        $aligned = $this->through ? "$direct UNION $crossed" : $direct;

        return [
            <<<SQL
                SELECT DISTINCT unnest(statements.above) AS node, question_id FROM ($aligned) AS aligned
                JOIN statements ON statements.id = aligned.statement_id AND statements.framework_id = ?
                SQL,
            [$this->id],
        ];
    }
}
