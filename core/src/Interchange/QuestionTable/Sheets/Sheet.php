<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

/** One sheet of a table, its rows read as often as one likes and one at a time. */
final class Sheet
{
    /** Columns beyond are not read. */
    public const MOST_COLUMNS = 300;

    public const MOST_ROWS = 1_048_576;

    /** Lines that a quote may hold before it is asked whether it was ever meant to close. */
    private const LONG_CELL = 20;

    /** Digits from which on a number may have been shortened by the width of its column. */
    private const DIGITS_SHOWN = 8;

    /** @var array<int, string> row → address of the cell whose quote never closes; known once the rows were read */
    public array $openQuotes = [];

    /** The widest row there is, in columns; known once the rows were read. */
    public int $width = 0;

    /**
     * @param  resource  $stream  the sheet as UTF-8 with $separator between cells (RFC 4180)
     * @param  list<array{int, int, int, int}>  $merged  first column, first row, last column, last row of each; columns from 0
     * @param  resource|null  $full  the same with numbers in full, where $stream has them as they are shown
     */
    public function __construct(
        public readonly string $name,
        private readonly mixed $stream,
        public readonly string $separator,
        public readonly array $merged = [],
        private readonly mixed $full = null,
    ) {
    }

    /** @return \Generator<int, list<string>> row from 1 → its cells; rows without anything in them are left out */
    public function rows(): \Generator
    {
        rewind($this->stream);
        if ($this->full !== null) {
            rewind($this->full);
        }
        $row = 0;
        while (true) {
            $at = (int) ftell($this->stream);
            $cells = fgetcsv($this->stream, null, $this->separator, '"', '');
            if ($cells === false || ++$row > self::MOST_ROWS) {
                return;
            }
            if ($this->neverCloses($cells, $at)) {
                $cells = $this->firstLine($at, $row);
            }
            $this->width = max($this->width, count($cells));
            $cells = array_map(fn (?string $cell): string => (string) $cell, array_slice($cells, 0, self::MOST_COLUMNS));
            $full = $this->full === null ? false : fgetcsv($this->full, null, ',', '"', '');
            $cells = $full === false ? $cells : self::inFull($cells, $full);
            if (trim(implode('', $cells)) !== '') {
                yield $row => $cells;
            }
        }
    }

    /**
     * Long numbers are shown shortened ("1.235E+14"), and dates only as they are shown are dates.
     *
     * @param  list<string>  $shown
     * @param  list<string|null>  $full
     * @return list<string>
     */
    private static function inFull(array $shown, array $full): array
    {
        foreach ($shown as $i => $cell) {
            $number = $full[$i] ?? '';
            if ($cell === $number || $number === '' || ! is_numeric($number)) {
                continue;
            }
            $plain = str_replace("\u{2212}", '-', $cell);
            $isShort = str_contains($plain, 'E') || strlen((string) preg_replace('/^[-0.]+|\D/', '', $plain)) >= self::DIGITS_SHOWN;
            $shown[$i] = is_numeric($plain) ? ($isShort ? $number : $plain) : $cell;
        }

        return $shown;
    }

    /** @return array{int, int} how far the rows were read, of how many bytes */
    public function progress(): array
    {
        return [(int) ftell($this->stream), (int) (fstat($this->stream)['size'] ?? 1)];
    }

    /** @return array<int, list<string>> the first rows with something in them */
    public function first(int $count): array
    {
        $rows = [];
        foreach ($this->rows() as $row => $cells) {
            $rows[$row] = $cells;
            if (count($rows) >= $count) {
                break;
            }
        }

        return $rows;
    }

    /**
     * A quote that was opened and not closed takes rows into its cell, up to the end or to the next quote that was meant to open one.
     *
     * @param  list<string|null>  $cells
     */
    private function neverCloses(array $cells, int $at): bool
    {
        $last = (string) $cells[count($cells) - 1];
        if (feof($this->stream) && str_contains($last, "\n")) {
            $end = (int) ftell($this->stream);
            fseek($this->stream, $at);
            $raw = (string) fread($this->stream, max(1, $end - $at));
            fseek($this->stream, $end);

            return substr_count($raw, '"') % 2 === 1;
        }
        $longest = 0;
        $inner = [];
        foreach ($cells as $cell) {
            $breaks = substr_count((string) $cell, "\n");
            if ($breaks > $longest) {
                $longest = $breaks;
                $inner = array_slice(explode("\n", (string) $cell), 1, -1);
            }
        }
        if ($longest < self::LONG_CELL || $this->width < 3) {
            return false;
        }
        $like = array_filter($inner, fn (string $line): bool => substr_count($line, $this->separator) >= $this->width - 1);

        return count($like) * 10 >= count($inner) * 8;
    }

    /** @return list<string|null> the cells of the line that begins at $at, its last quote taken as typed */
    private function firstLine(int $at, int $row): array
    {
        fseek($this->stream, $at);
        $line = rtrim((string) fgets($this->stream), "\n");
        $cells = str_getcsv($line.'"', $this->separator, '"', '');
        $last = (string) array_pop($cells);
        $this->openQuotes[$row] = CellAddress::of(count($cells), $row);

        return [...$cells, ...$this->separator === '' ? [$last] : explode($this->separator, $last)];
    }
}
