<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

use WideQuarry\Interchange\QuestionTable\Mapping\Column;
use WideQuarry\Interchange\QuestionTable\Mapping\Heading;
use WideQuarry\Interchange\QuestionTable\Mapping\Meaning;
use WideQuarry\Interchange\QuestionTable\Mapping\SheetMapping;
use WideQuarry\Interchange\QuestionTable\Sheets\CellAddress;
use WideQuarry\Interchange\QuestionTable\Sheets\Sheet;

/** The rows of a sheet put together as questions: corrected cells in their places, merged ones filled, skipped rows left out. */
final class SheetEntries
{
    /** What a spreadsheet shows where a formula has no value. */
    private const FORMULA_ERROR = '~^(?:#(?:N/A|REF!|VALUE!|DIV/0!|NAME\?|NUM!|NULL!|SPILL!|CALC!)|Err:\d{3})$~';

    private const LONGEST = 100_000;

    /** @var array<int, array<int, int>> row → column → the row whose value merged cells give it */
    private array $filled = [];

    /** @var array<string, string> "column row" → value of the first of merged cells */
    private array $values = [];

    /** @var array<int, true> columns not used that have something in them */
    public array $unused = [];

    /** @var list<Column> */
    private readonly array $used;

    /** @var array<int, true> columns with a heading */
    private readonly array $headed;

    /** @param  string  $name  of the sheet, where addresses name it; otherwise '' */
    public function __construct(
        private readonly Sheet $sheet,
        private readonly SheetMapping $mapping,
        private readonly TableCorrections $corrections,
        private readonly string $name,
    ) {
        $this->used = array_values(array_filter($mapping->columns, fn (Column $one): bool => $one->is !== Meaning::Ignored));
        $headed = array_filter($mapping->columns, fn (Column $one): bool => $one->is !== Meaning::Ignored || $one->heading !== '');
        $this->headed = array_fill_keys(array_map(fn (Column $one): int => $one->at, $headed), true);
        foreach ($mapping->perOption ? [] : $sheet->merged as [$column, $from, , $to]) {
            for ($row = $from; $row <= min($to, $from + 10_000); $row++) {
                $this->filled[$row][$column] = $from;
            }
        }
    }

    /** @return \Generator<int, array{Entry, CellProblems}> */
    public function all(string $file): \Generator
    {
        $open = null;
        $problems = new CellProblems($file, $this->name);
        foreach ($this->sheet->rows() as $row => $texts) {
            if ($row < $this->mapping->first || $this->corrections->skips($this->name, $row)) {
                continue;
            }
            [$cells, $said] = [$this->cells($row, $texts, $now = new CellProblems($file, $this->name)), $now];
            if ($cells === []) {
                continue;
            }
            if ($open instanceof Entry && $this->mapping->perOption && ! $this->begins($cells, $open)) {
                $this->continue($open, $cells, $row);
                array_push($problems->notices, ...$said->notices);

                continue;
            }
            if ($open instanceof Entry) {
                yield [$open, $problems];
            }
            $problems = $said;
            $open = new Entry($this->sheet->name, $row, CellAddress::of($this->used[0]->at ?? 0, $row));
            $open->rows = [$row];
            if ($this->mapping->perOption) {
                $this->continue($open, $cells, $row);
            } else {
                $open->cells = $cells;
            }
        }
        if ($open instanceof Entry) {
            yield [$open, $problems];
        }
    }

    /** Headings of columns that hold something and were not read. */
    public function tellUnused(CellProblems $problems): void
    {
        foreach ($this->mapping->columns as $column) {
            $isUnused = $column->is === Meaning::Ignored && isset($this->unused[$column->at]);
            if ($isUnused && $column->heading !== '' && Heading::of($column->heading)?->is !== Meaning::Ignored) {
                $problems->loss('column-not-used', CellAddress::of($column->at, max(1, $this->mapping->header)), [
                    'column' => CellAddress::letters($column->at),
                    'heading' => $column->heading,
                ]);
            }
        }
    }

    /**
     * @param  list<string>  $texts
     * @return list<Cell> of the columns that mean something; none for a row without anything in them
     */
    private function cells(int $row, array $texts, CellProblems $problems): array
    {
        $cells = [];
        $isEmpty = true;
        foreach ($this->used as $column) {
            $address = CellAddress::of($column->at, $row);
            $text = $this->corrections->cell($this->name, $address) ?? $this->text($row, $column, $texts);
            if (preg_match(self::FORMULA_ERROR, trim($text)) === 1) {
                $problems->wrong('formula-error', $address, ['error' => trim($text)]);
                $text = '';
            }
            if (strlen($text) > self::LONGEST && mb_strlen($text) > self::LONGEST) {
                $problems->wrong('cell-long', $address, ['count' => mb_strlen($text)]);
                $text = mb_substr($text, 0, self::LONGEST);
            }
            $cells[] = new Cell($column->is, $text, $address, $column->for);
            $isEmpty = $isEmpty && trim($text) === '';
        }
        foreach ($texts as $at => $text) {
            if (trim($text) === '') {
                continue;
            }
            $this->unused[$at] = true;
            if (! isset($this->headed[$at]) && $this->mapping->header > 0) {
                $problems->wrong('row-longer', CellAddress::of($at, $row), ['text' => trim($text)]);
                break;
            }
        }
        if (isset($this->sheet->openQuotes[$row])) {
            $problems->wrong('quote-open', $this->sheet->openQuotes[$row]);
        }

        return $isEmpty && $problems->notices === [] ? [] : $cells;
    }

    /** @param  list<string>  $texts */
    private function text(int $row, Column $column, array $texts): string
    {
        $text = $texts[$column->at] ?? '';
        // an apostrophe before what would be a formula makes it words
        $text = preg_match("/^'[=+\-@\t\r]/", $text) === 1 ? substr($text, 1) : $text;
        $from = $this->filled[$row][$column->at] ?? null;
        if ($from === $row) {
            $this->values["$column->at $row"] = $text;
        } elseif ($from !== null && $column->is->fillsDown() && trim($text) === '') {
            return $this->values["$column->at $from"] ?? '';
        }

        return $text;
    }

    /** @param  list<Cell>  $cells */
    private function begins(array $cells, Entry $open): bool
    {
        foreach ([Meaning::Identifier, Meaning::Stem] as $meaning) {
            foreach ($cells as $cell) {
                if ($cell->is === $meaning && ! $cell->isEmpty()) {
                    return trim($cell->text) !== $open->text($meaning);
                }
            }
        }

        return false;
    }

    /**
     * A row of an option: what it says of the option goes to that, the rest is said once.
     *
     * @param  list<Cell>  $cells
     */
    private function continue(Entry $entry, array $cells, int $row): void
    {
        $entry->rows = [...$entry->rows, ...in_array($row, $entry->rows, true) ? [] : [$row]];
        $number = count($entry->all(Meaning::Option)) + 1;
        foreach ($cells as $cell) {
            if (in_array($cell->is, [Meaning::Option, Meaning::Mark, Meaning::OptionFeedback], true)) {
                $entry->cells[] = new Cell($cell->is, $cell->text, $cell->address, $number);
            } elseif (! $cell->isEmpty() && $entry->text($cell->is) !== trim($cell->text)) {
                $entry->cells[] = $cell;
            } elseif ($entry->cell($cell->is) === null) {
                $entry->cells[] = $cell;
            }
        }
    }
}
