<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

/**
 * The lines of print on pages, as far as they are needed to find a question of which a single line stands on one of its pages. Distances
 * are points of 1/72 inch from the top left corner of a page.
 *
 * @phpstan-type Line array{left: float, top: float, bottom: float}
 * @phpstan-type Spot array{page: int, left: float, top: float}
 */
final readonly class LinesOnPages
{
    /** A line is the last of its page when there is room for no other below it. */
    private const ROOM = 30.0;

    /**
     * @param  array<int, list<Line>>  $lines  page → its lines, headers and footers left out
     * @param  float  $upper  where the print of a page begins
     * @param  float  $lower  where it ends
     * @param  float|null  $middle  between two columns; null of one
     */
    public function __construct(private array $lines, private float $upper, private float $lower, private ?float $middle)
    {
    }

    /**
     * @param  Spot  $begin  where a question begins
     * @param  Spot  $end  where it ends, on a later page
     * @return int|null the page on which a single line stands: the first at the bottom of its page, or the last at the top of its
     */
    public function single(array $begin, array $end): ?int
    {
        $first = $this->rows(array_filter(
            $this->lines[$begin['page']] ?? [],
            fn (array $line): bool => $this->isBehind($line, $begin),
        ));
        if (count($first) === 1 && $first[0]['bottom'] > $this->lower - self::ROOM) {
            return $begin['page'];
        }
        $last = $this->rows(array_filter(
            $this->lines[$end['page']] ?? [],
            fn (array $line): bool => ! $this->isBehind($line, $end),
        ));

        return count($last) === 1 && $last[0]['top'] < $this->upper + self::ROOM && $end['top'] < $last[0]['bottom'] + self::ROOM
            ? $end['page']
            : null;
    }

    /**
     * Whether a line stands at a spot or behind it.
     *
     * @param  Line  $line
     * @param  Spot  $spot
     */
    private function isBehind(array $line, array $spot): bool
    {
        $by = $this->column($line['left']) <=> $this->column($spot['left']);

        return $by === 0 ? $line['bottom'] > $spot['top'] + 1 : $by > 0;
    }

    /**
     * What stands side by side is one row: a number, the words behind it, the points in the margin.
     *
     * @param  array<Line>  $lines
     * @return list<Line>
     */
    private function rows(array $lines): array
    {
        usort($lines, fn (array $a, array $b): int => [$this->column($a['left']), $a['top']] <=> [$this->column($b['left']), $b['top']]);
        $rows = [];
        foreach ($lines as $line) {
            $above = array_key_last($rows);
            if ($above !== null && $this->column($line['left']) === $this->column($rows[$above]['left'])
                && $line['top'] < ($rows[$above]['top'] + $rows[$above]['bottom']) / 2) {
                $rows[$above]['bottom'] = max($line['bottom'], $rows[$above]['bottom']);
            } else {
                $rows[] = $line;
            }
        }

        return $rows;
    }

    private function column(float $left): int
    {
        return $this->middle !== null && $left >= $this->middle ? 1 : 0;
    }
}
