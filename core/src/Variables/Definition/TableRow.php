<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Stream;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Variable;

/** A row of a table: values that belong together, each column a name of its own. */
final readonly class TableRow implements Drawn
{
    /**
     * @param  list<string>  $columns
     * @param  list<list<int|\Brick\Math\BigRational|string|bool>>  $rows
     */
    private function __construct(private string $name, public array $columns, private array $rows, private string $path)
    {
    }

    /** @throws Malformed */
    public static function of(string $name, Fields $fields, string $path): self
    {
        $columns = [];
        foreach ($fields->list('columns', 50) as $i => $column) {
            $columns[] = Variable::name($column, "$path/columns/$i");
        }
        $rows = [];
        foreach ($fields->list('rows') as $i => $row) {
            if (! is_array($row)) {
                throw Malformed::wrongType("$path/rows/$i", Message::of('variables.list-numbers-text-words'), $row);
            }
            $cells = [];
            foreach (array_values($row) as $at => $cell) {
                $cells[] = Items::one($cell, "$path/rows/$i/$at");
            }
            $rows[] = $cells;
        }

        return new self($name, $columns, $rows, $path);
    }

    public function draw(Stream $stream): int
    {
        return $stream->below($this->count());
    }

    public function count(): int
    {
        if ($this->rows === [] || $this->columns === []) {
            throw RollProblem::emptyRange($this->name, $this->columns === [] ? "$this->path/columns" : "$this->path/rows");
        }
        foreach ($this->rows as $i => $row) {
            if (count($row) !== count($this->columns)) {
                throw RollProblem::ragged($i + 1, count($row), count($this->columns), "$this->path/rows/$i");
            }
        }

        return count($this->rows);
    }

    public function outcomes(): iterable
    {
        return range(0, $this->count() - 1);
    }

    public function values(int|string $outcome): array
    {
        return array_combine($this->columns, $this->rows[(int) $outcome]);
    }
}
