<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;

/** All cells of one question: a row, or the rows of its options. */
final class Entry
{
    /** @var list<Cell> */
    public array $cells = [];

    /** @var list<int> */
    public array $rows = [];

    /** @param  string  $first  address of the first cell of its first row */
    public function __construct(public readonly string $sheet, public readonly int $row, public readonly string $first)
    {
    }

    /** The text of the first such cell with something in it, '' when there is none. */
    public function text(Meaning $meaning): string
    {
        return trim($this->cell($meaning)->text ?? '');
    }

    /** The first with something in it, or else the first. */
    public function cell(Meaning $meaning): ?Cell
    {
        $first = null;
        foreach ($this->cells as $cell) {
            if ($cell->is === $meaning) {
                if (! $cell->isEmpty()) {
                    return $cell;
                }
                $first ??= $cell;
            }
        }

        return $first;
    }

    /** @return list<Cell> those with something in them */
    public function filled(Meaning ...$any): array
    {
        return array_values(array_filter($this->cells, fn (Cell $cell): bool => in_array($cell->is, $any, true) && ! $cell->isEmpty()));
    }

    /** @return list<Cell> */
    public function all(Meaning $meaning): array
    {
        return array_values(array_filter($this->cells, fn (Cell $cell): bool => $cell->is === $meaning));
    }
}
