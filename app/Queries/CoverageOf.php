<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Search\CoverageCounts;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Coverage;

/**
 * The coverage of a tree, as screens and files show it.
 *
 * @phpstan-type Node object{id: string, parent_id: string|null, code: string, title: string, text: string, retired: bool}&\stdClass
 * @phpstan-type Cell array{questions: int, approved: int, points: float}
 */
final readonly class CoverageOf
{
    /** Values that are wanted, where a dimension is a scale; of others, those that occur. */
    private const SCALES = [
        'difficulty' => ['1', '2', '3', '4', '5'],
        'status' => ['draft', 'in_review', 'approved', 'retired'],
        'points' => ['1', '2-3', '4-6', '7+'],
    ];

    /**
     * @param  'framework'|'topics'  $tree
     * @param  int  $least  questions of each value, below which a place is thin
     */
    public function __construct(
        private CoverageCounts $counts,
        private string $tree,
        private string $id,
        private string $by,
        private int $least,
        private bool $approved,
        private int $levels,
    ) {
    }

    /**
     * The questions of an assessment, with those of its pools.
     *
     * @return list<string>
     */
    public static function questionsIn(Assessment $assessment): array
    {
        $ids = DB::table('assessment_uses')->where('assessment_id', $assessment->id)->pluck('question_id')->all();

        // which of them may be read is the scope's to say
        return array_values(array_filter($ids, is_string(...)));
    }

    /** @return array<string, mixed> */
    public function describe(): array
    {
        $nodes = $this->nodes();
        $counts = $this->counts->cells([$this->by]);
        $cells = self::byNode($counts);
        $values = $this->values($counts);

        return [
            'values' => $values,
            'nodes' => array_map(
                fn (\stdClass $node): array => [...get_object_vars($node), 'cells' => (object) ($cells[$node->id] ?? [])],
                $nodes,
            ),
            'thin' => $this->thin($nodes, $cells, $values),
            'totals' => $this->counts->totals(),
        ];
    }

    /**
     * @param  list<object{node: string, value: string, questions: int, approved: int, points: string}&\stdClass>  $counts
     * @return array<string, array<string, Cell>> node → value → what there is
     */
    private static function byNode(array $counts): array
    {
        $cells = [];
        foreach ($counts as $one) {
            $cells[$one->node][$one->value] = [
                'questions' => $one->questions,
                'approved' => $one->approved,
                'points' => (float) $one->points,
            ];
        }

        return $cells;
    }

    /**
     * @param  list<Node>  $nodes
     * @param  array<string, array<string, Cell>>  $cells
     * @param  list<string>  $values
     * @return list<array{node: string, none: bool, missing: list<string>, short: int}>
     */
    private function thin(array $nodes, array $cells, array $values): array
    {
        $parents = $retired = [];
        foreach ($nodes as $node) {
            $parents[$node->id] = $node->parent_id;
            if ($node->retired) {
                $retired[] = $node->id;
            }
        }
        $wanted = array_values(array_filter(self::SCALES[$this->by] ?? $values, fn (string $one): bool => $one !== ''));

        return (new Coverage($parents, $cells, $wanted))->thin($this->least, $this->approved, $retired, $this->levels);
    }

    /** @return list<\stdClass> */
    public function table(string $rows, string $node): array
    {
        return $this->counts->cells([$this->by, $rows], $node);
    }

    /** RFC 4180; a cell that a spreadsheet would take for a formula begins with an apostrophe. */
    public function csv(): string
    {
        $nodes = $this->nodes();
        $counts = $this->counts->cells([$this->by]);
        $cells = self::byNode($counts);
        $values = $this->values($counts);
        $missing = array_column($this->thin($nodes, $cells, $values), 'missing', 'node');
        $named = array_map(fn (string $value): string => $value === '' ? Message::of('app.queries.coverage-none') : $value, $values);
        $rows = [
            [
                Message::of('app.queries.coverage-code'),
                Message::of('app.queries.coverage-statement'),
                ...$named,
                Message::of('app.queries.coverage-questions'),
                Message::of('app.queries.coverage-points'),
                Message::of('app.queries.coverage-thin'),
            ],
        ];
        foreach ($nodes as $node) {
            $here = $cells[$node->id] ?? [];
            $rows[] = [
                $node->code,
                $node->title === '' ? $node->text : $node->title,
                ...array_map(fn (string $value): string => (string) ($here[$value]['questions'] ?? 0), $values),
                (string) array_sum(array_column($here, 'questions')),
                (string) array_sum(array_column($here, 'points')),
                implode(' ', $missing[$node->id] ?? []),
            ];
        }
        $without = $this->counts->totals()->without;
        $none = array_fill(0, count($values), '');
        $rows[] = ['', Message::of('app.queries.coverage-without'), ...$none, is_int($without) ? "$without" : '', '', ''];

        return self::written($rows);
    }

    /** @param  list<array<string>>  $rows */
    private static function written(array $rows): string
    {
        $stream = fopen('php://memory', 'r+');
        assert($stream !== false);
        foreach ($rows as $row) {
            $safe = array_map(fn (string $cell): string => preg_match('/^[=+\-@\t]/', $cell) === 1 ? "'$cell" : $cell, $row);
            fputcsv($stream, $safe, ',', '"', '', "\r\n");
        }
        rewind($stream);

        return "\xEF\xBB\xBF".stream_get_contents($stream);
    }

    /**
     * @param  list<object{node: string, value: string, questions: int, approved: int, points: string}&\stdClass>  $counts
     * @return list<string> in the order of their scale, those without one last
     */
    private function values(array $counts): array
    {
        $found = array_values(array_unique(array_column($counts, 'value')));
        $scale = self::SCALES[$this->by] ?? [];
        sort($found);
        $none = in_array('', $found, true) ? [''] : [];

        return [...$scale, ...array_values(array_diff($found, $scale, [''])), ...$none];
    }

    /** @return list<Node> in tree order */
    private function nodes(): array
    {
        if ($this->tree === 'framework') {
            return Frameworks::statements($this->id);
        }
        /** @var list<object{id: string, parent_id: string|null, title: string}&\stdClass> $rows */
        $rows = Topics::of($this->id)->orderBy('position')->orderBy('title')->get(['id', 'parent_id', 'title'])->all();
        $below = [];
        foreach ($rows as $row) {
            $below[$row->parent_id ?? ''][] = (object) [
                'id' => $row->id,
                'parent_id' => $row->parent_id,
                'code' => '',
                'title' => $row->title,
                'text' => $row->title,
                'level' => '',
                'notes' => '',
                'retired' => false,
            ];
        }

        return self::ordered($below, '');
    }

    /**
     * @param  array<string, list<Node>>  $below
     * @return list<Node>
     */
    private static function ordered(array $below, string $from): array
    {
        $ordered = [];
        foreach ($below[$from] ?? [] as $node) {
            array_push($ordered, $node, ...self::ordered($below, $node->id));
        }

        return $ordered;
    }
}
