<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Search\Facets;
use App\Search\QuestionFilter;
use App\Search\Scope;
use WideQuarry\Json\Malformed;

/** The values of an attribute in some banks, so that they can become rows or columns. */
final class BlueprintValues
{
    public const ATTRIBUTES = [
        'topic', 'folder', 'standard', 'kind', 'difficulty', 'level', 'purpose', 'tag', 'source', 'work', 'author', 'marks', 'status',
        'bank', 'points', 'has', 'language', 'by',
    ];

    private const TREES = [
        'topic' => ['topics', 'title'],
        'folder' => ['folders', 'name'],
    ];

    /**
     * @param  list<string>  $banks  that can be viewed
     * @return list<array{value: string, title: string, count: int, depth: int, where: array<string, list<string>>}> title: '' where
     *     the value says it; depth: of a tree, from 0
     *
     * @throws Malformed
     */
    public static function of(string $attribute, array $banks): array
    {
        if (! in_array($attribute, self::ATTRIBUTES, true)) {
            throw Malformed::notOneOf('/of', self::ATTRIBUTES, $attribute);
        }
        if ($banks === []) {
            return [];
        }
        $rows = match (true) {
            isset(self::TREES[$attribute]) => self::tree($attribute, $banks),
            $attribute === 'standard' => self::standards($banks),
            $attribute === 'points' => self::points($banks),
            default => (new Facets)->of($attribute, Scope::banks($banks), QuestionFilter::fromQuery('')),
        };

        return array_map(
            fn (array $row): array => [
                'value' => $row['value'],
                'title' => $row['name'] ?? '',
                'count' => $row['count'],
                'depth' => $row['depth'] ?? 0,
                'where' => $attribute === 'points' ? ['points' => ["$row[value]..$row[value]"]] : [$attribute => [$row['value']]],
            ],
            $attribute === 'difficulty' ? self::scale($rows) : $rows,
        );
    }

    /**
     * A scale is offered whole, in its order.
     *
     * @param  list<array{value: string, count: int, name?: string, depth?: int}>  $rows
     * @return list<array{value: string, count: int, name?: string, depth?: int}>
     */
    private static function scale(array $rows): array
    {
        $counts = [];
        foreach ($rows as $row) {
            $counts["=$row[value]"] = $row['count'];
        }

        return array_map(fn (int $one): array => ['value' => (string) $one, 'count' => $counts["=$one"] ?? 0], range(1, 5));
    }

    /**
     * @param  list<string>  $banks
     * @return list<array{value: string, name: string, count: int, depth: int}> in the order of the tree
     */
    private static function tree(string $attribute, array $banks): array
    {
        [$table, $name] = self::TREES[$attribute];
        $in = $attribute === 'folder'
            ? 'node.bank_id = ANY (?::uuid[])'
            : '(node.bank_id = ANY (?::uuid[]) OR node.team_id IN (SELECT team_id FROM banks WHERE id = ANY (?::uuid[])))';
        $joins = $attribute === 'folder' ? ['placements', 'folder_id'] : ['question_topics', 'topic_id'];
        $list = '{'.implode(',', $banks).'}';
        $rows = Sql::rows(
            <<<SQL
            SELECT node.id AS value, node.$name AS name, nlevel(node.path) - 1 AS depth, (SELECT count(DISTINCT joined.question_id)
                FROM $table AS below JOIN $joins[0] AS joined ON joined.$joins[1] = below.id
                    JOIN questions ON questions.id = joined.question_id AND binned_at IS NULL AND questions.bank_id = ANY (?::uuid[])
                WHERE below.path <@ node.path) AS count
            FROM $table AS node WHERE $in
            ORDER BY (SELECT array_agg(above.$name ORDER BY nlevel(above.path)) FROM $table AS above WHERE node.path <@ above.path), node.id
            LIMIT 2000
            SQL,
            $attribute === 'folder' ? [$list, $list] : [$list, $list, $list],
        );

        return array_map(self::row(...), $rows);
    }

    /**
     * @param  list<string>  $banks
     * @return list<array{value: string, name: string, count: int, depth: int}> statements that questions are about, or something below them
     */
    private static function standards(array $banks): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            WITH used AS (
                SELECT unnest(above) AS id, question_id FROM question_standards JOIN statements ON statements.id = statement_id
                    JOIN questions ON questions.id = question_id WHERE bank_id = ANY (?::uuid[]) AND binned_at IS NULL)
            SELECT statements.id AS value, trim(code || ' ' || left(coalesce(nullif(title, ''), text), 80)) AS name,
                cardinality(above) - 1 AS depth, counted.count
            FROM (SELECT id, count(DISTINCT question_id) AS count FROM used GROUP BY id) AS counted JOIN statements USING (id)
            ORDER BY framework_id, position LIMIT 2000
            SQL,
            ['{'.implode(',', $banks).'}'],
        );

        return array_map(self::row(...), $rows);
    }

    /**
     * @param  list<string>  $banks
     * @return list<array{value: string, name: string, count: int, depth: int}>
     */
    private static function points(array $banks): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            SELECT trim_scale(points)::text AS value, '' AS name, 0 AS depth, count(*) AS count FROM questions
            WHERE bank_id = ANY (?::uuid[]) AND binned_at IS NULL GROUP BY points ORDER BY points LIMIT 100
            SQL,
            ['{'.implode(',', $banks).'}'],
        );

        return array_map(self::row(...), $rows);
    }

    /** @return array{value: string, name: string, count: int, depth: int} */
    private static function row(\stdClass $row): array
    {
        assert(is_string($row->value) && is_string($row->name) && is_int($row->count) && is_int($row->depth));

        return ['value' => $row->value, 'name' => $row->name, 'count' => $row->count, 'depth' => $row->depth];
    }
}
