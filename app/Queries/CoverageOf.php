<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Assessment;
use App\Search\CoverageCounts;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Coverage;

/** The coverage of a tree, as screens and files show it. */
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
        $cells = $this->counts->cells([$this->by]);
        $by = [];
        foreach ($cells as $cell) {
            $by[$cell->node][$cell->value] = [
                'questions' => $cell->questions,
                'approved' => $cell->approved,
                'points' => (float) $cell->points,
            ];
        }
        $values = $this->values($cells);
        $coverage = new Coverage(
            array_column($nodes, 'parent_id', 'id'),
            $by,
            array_values(array_filter(self::SCALES[$this->by] ?? $values, fn (string $one): bool => $one !== '')),
        );
        $retired = array_column(array_filter($nodes, fn (\stdClass $node): bool => $node->retired), 'id');

        return [
            'values' => $values,
            'nodes' => array_map(
                fn (\stdClass $node): array => [...(array) $node, 'cells' => (object) ($by[$node->id] ?? [])],
                $nodes,
            ),
            'thin' => $coverage->thin($this->least, $this->approved, $retired),
            'totals' => $this->counts->totals(),
        ];
    }

    /** @return list<\stdClass> */
    public function table(string $rows, string $node): array
    {
        return $this->counts->cells([$this->by, $rows], $node);
    }

    /** RFC 4180; a cell that a spreadsheet would take for a formula begins with an apostrophe. */
    public function csv(): string
    {
        $described = $this->describe();
        $stream = fopen('php://memory', 'r+');
        assert($stream !== false);
        $say = fn (string $name): string => Message::of("app.queries.coverage-$name");
        $missing = array_column($described['thin'], 'missing', 'node');
        $put = fn (array $cells): mixed => fputcsv(
            $stream,
            array_map(fn (mixed $cell): string => preg_match('/^[=+\-@\t]/', (string) $cell) === 1 ? "'$cell" : (string) $cell, $cells),
            ',',
            '"',
            '',
            "\r\n",
        );
        $values = array_map(fn (string $value): string => $value === '' ? $say('none') : $value, $described['values']);
        $put([$say('code'), $say('statement'), ...$values, $say('questions'), $say('points'), $say('thin')]);
        foreach ($described['nodes'] as $node) {
            $cells = (array) $node['cells'];
            $count = fn (string $what): int|float => array_sum(array_column($cells, $what));
            $put([
                $node['code'],
                $node['title'] === '' ? $node['text'] : $node['title'],
                ...array_map(fn (string $value): int => $cells[$value]['questions'] ?? 0, $described['values']),
                $count('questions'),
                $count('points'),
                implode(' ', $missing[$node['id']] ?? []),
            ]);
        }
        $put(['', $say('without'), ...array_fill(0, count($values), ''), $described['totals']->without, '', '']);
        rewind($stream);

        return "\xEF\xBB\xBF".stream_get_contents($stream);
    }

    /**
     * @param  list<\stdClass>  $cells
     * @return list<string> in the order of their scale, those without one last
     */
    private function values(array $cells): array
    {
        $found = array_values(array_unique(array_map(strval(...), array_column($cells, 'value'))));
        $scale = self::SCALES[$this->by] ?? [];
        sort($found);
        $none = in_array('', $found, true) ? [''] : [];

        return [...$scale, ...array_values(array_diff($found, $scale, [''])), ...$none];
    }

    /** @return list<\stdClass> in tree order */
    private function nodes(): array
    {
        if ($this->tree === 'framework') {
            return Frameworks::statements($this->id);
        }
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
        $ordered = [];
        $walk = function (string $from) use (&$walk, &$ordered, $below): void {
            foreach ($below[$from] ?? [] as $node) {
                $ordered[] = $node;
                $walk($node->id);
            }
        };
        $walk('');

        return $ordered;
    }
}
