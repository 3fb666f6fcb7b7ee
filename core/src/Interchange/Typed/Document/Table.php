<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Document;

final readonly class Table
{
    /** @param  list<list<Cell>>  $rows */
    public function __construct(public array $rows)
    {
    }

    public function columns(): int
    {
        return max([0, ...array_map(count(...), $this->rows)]);
    }

    /** @return list<Line> row by row */
    public function lines(): array
    {
        return array_merge([], ...array_map(
            fn (array $row): array => array_merge([], ...array_map(fn (Cell $cell): array => $cell->lines, $row)),
            $this->rows,
        ));
    }

    /** @return list<Line> column by column */
    public function linesByColumn(): array
    {
        $lines = [];
        for ($column = 0; $column < $this->columns(); $column++) {
            foreach ($this->rows as $row) {
                array_push($lines, ...($row[$column]->lines ?? []));
            }
        }

        return $lines;
    }

    public function html(): string
    {
        $rows = array_map(function (array $row): string {
            $cells = array_map(fn (Cell $cell): string => $cell->isHeading ? "<th>{$cell->html()}</th>" : "<td>{$cell->html()}</td>", $row);

            return '<tr>'.implode('', $cells).'</tr>';
        }, $this->rows);

        return '<table><tbody>'.implode('', $rows).'</tbody></table>';
    }
}
