<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Demands as a table: rows and columns of conditions, and what is asked for where they meet. */
final readonly class Table
{
    /** Rows, or columns, of one table, with those they are split into. */
    public const LINES = 100;

    /** Cells of one table that ask for something. */
    public const CELLS = 1000;

    /**
     * @param  list<Line>  $rows
     * @param  list<Line>  $columns
     * @param  list<Cell>  $cells  those that ask for something, zero included
     * @param  bool  $isOnly  whether questions that no cell asks for stay out of the test
     */
    private function __construct(
        public string $id,
        public string $title,
        public array $rows,
        public array $columns,
        public array $cells,
        public bool $isOnly,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['id', 'title', 'rows', 'columns', 'cells', 'only', 'rows_by', 'columns_by', 'measure']);
        foreach (['rows_by', 'columns_by'] as $side) {
            $fields->strings($side, 2, 40);
        }
        $fields->oneOf('measure', ['count', 'points'], 'count');
        $id = $fields->id();
        $table = new self(
            preg_match('/^[\w-]{1,60}$/D', $id) === 1
                ? $id
                : throw Malformed::outOfRange("$path/id", Message::of('blueprints.line-id'), $id),
            trim($fields->string('title', '', 500)),
            self::lines($fields, 'rows'),
            self::lines($fields, 'columns'),
            self::cells($fields),
            $fields->bool('only', true),
        );
        $table->refuseUnknown($path);

        return $table;
    }

    /**
     * @return list<Line>
     *
     * @throws Malformed
     */
    private static function lines(Fields $fields, string $side): array
    {
        $lines = [];
        foreach ($fields->list($side, self::LINES) as $i => $line) {
            $lines[] = Line::read($line, $fields->at("$side/$i"));
        }
        $ids = [];
        foreach (self::flat($lines) as ['line' => $line]) {
            $ids[$line->id] = isset($ids[$line->id]) ? throw Malformed::repeatedId($fields->at($side), $line->id) : true;
        }

        return count($ids) <= self::LINES
            ? $lines
            : throw Malformed::outOfRange($fields->at($side), Message::of('json.most-entries', ['max' => self::LINES]), count($ids));
    }

    /**
     * @return list<Cell>
     *
     * @throws Malformed
     */
    private static function cells(Fields $fields): array
    {
        $cells = [];
        foreach ($fields->list('cells', self::CELLS) as $i => $json) {
            $cell = Cell::read($json, $fields->at("cells/$i"));
            $key = "$cell->row\n$cell->column";
            $cells[$key] = isset($cells[$key]) ? throw Malformed::repeatedId($fields->at("cells/$i"), "$cell->row $cell->column") : $cell;
        }

        return array_values($cells);
    }

    /** @throws Malformed */
    private function refuseUnknown(string $path): void
    {
        $known = ['row' => [], 'column' => []];
        foreach (self::flat($this->rows) as ['line' => $line]) {
            $known['row'][$line->id] = true;
        }
        foreach (self::flat($this->columns) as ['line' => $line]) {
            $known['column'][$line->id] = true;
        }
        foreach ($this->cells as $i => $cell) {
            foreach (['row' => $cell->row, 'column' => $cell->column] as $side => $id) {
                if ($id !== null && ! isset($known[$side][$id])) {
                    $expected = Message::of($side === 'row' ? 'blueprints.known-row' : 'blueprints.known-column');
                    throw Malformed::outOfRange("$path/cells/$i/$side", $expected, $id);
                }
            }
        }
    }

    /**
     * Lines with those they are split into, each with what it is part of.
     *
     * @param  list<Line>  $lines
     * @return list<array{line: Line, within: Line|null}>
     */
    public static function flat(array $lines): array
    {
        $flat = [];
        foreach ($lines as $line) {
            $flat[] = ['line' => $line, 'within' => null];
            foreach ($line->lines as $part) {
                $flat[] = ['line' => $part, 'within' => $line];
            }
        }

        return $flat;
    }

    /**
     * @param  list<Line>  $lines
     * @return list<string>
     */
    private static function ids(array $lines): array
    {
        return array_map(fn (array $one): string => $one['line']->id, self::flat($lines));
    }

    /** @return list<array{row: string|null, column: string|null}> every place there is, margins and the whole included */
    public function places(): array
    {
        $places = [];
        foreach ([null, ...self::ids($this->rows)] as $row) {
            foreach ([null, ...self::ids($this->columns)] as $column) {
                $places[] = ['row' => $row, 'column' => $column];
            }
        }

        return $places;
    }

    /**
     * The keys of the lines a question has to be in for a place to count it.
     *
     * @return list<string>
     */
    public function needs(?string $row, ?string $column): array
    {
        $needs = [];
        foreach (['r' => [$this->rows, $row], 'c' => [$this->columns, $column]] as $side => [$lines, $id]) {
            foreach ($id === null ? [] : self::flat($lines) as ['line' => $line, 'within' => $within]) {
                if ($line->id === $id) {
                    $needs = [...$needs, ...$within === null ? [] : ["$this->id/$side/$within->id"], "$this->id/$side/$id"];
                }
            }
        }

        return $needs;
    }

    /** What people call a place: "Erosion, 4–5". */
    public function name(?string $row, ?string $column): string
    {
        $names = [];
        foreach ([[$this->rows, $row], [$this->columns, $column]] as [$lines, $id]) {
            foreach ($id === null ? [] : self::flat($lines) as ['line' => $line, 'within' => $within]) {
                if ($line->id === $id) {
                    $names = [...$names, ...$within === null ? [] : [$within->title], $line->title];
                }
            }
        }
        $whole = $this->title === '' ? Message::of('blueprints.whole-table') : $this->title;

        return $names === [] ? $whole : implode(', ', array_filter($names, fn (string $name): bool => $name !== ''));
    }

    /** @return array<string, array<string, list<string>>> key → conditions of every line */
    public function conditions(): array
    {
        $conditions = [];
        foreach (['r' => $this->rows, 'c' => $this->columns] as $side => $lines) {
            foreach (self::flat($lines) as ['line' => $line]) {
                $conditions["$this->id/$side/$line->id"] = $line->where;
            }
        }

        return $conditions;
    }
}
