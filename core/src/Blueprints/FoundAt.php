<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Measure;
use WideQuarry\Selection\Range;

/** What a test has at every place of every table. */
final class FoundAt
{
    /**
     * @param  list<Candidate>  $taken
     * @return array<string, array{count: int, points: int|float}> by place
     */
    public static function places(Blueprint $blueprint, array $taken): array
    {
        $found = [];
        foreach ($blueprint->tables as $table) {
            foreach ($table->places() as ['row' => $row, 'column' => $column]) {
                $needs = array_flip($table->needs($row, $column));
                $there = array_filter($taken, fn (Candidate $one): bool => array_diff_key($needs, $one->attributes) === []);
                $found[Places::id($table, $row, $column)] = [
                    'count' => count($there),
                    'points' => Exact::number(Measure::Points->sum($there)),
                ];
            }
        }

        return $found;
    }

    /** @return list<string> the cells that ask for something a question counts for */
    public static function of(Blueprint $blueprint, Candidate $candidate): array
    {
        $places = [];
        foreach ($blueprint->tables as $table) {
            foreach ($table->cells as $cell) {
                $needs = array_flip($table->needs($cell->row, $cell->column));
                if ($cell->row !== null && $cell->column !== null && array_diff_key($needs, $candidate->attributes) === []) {
                    $places[] = Places::id($table, $cell->row, $cell->column);
                }
            }
        }

        return $places;
    }

    /**
     * The cells whose demand a test does not meet.
     *
     * @param  list<Candidate>  $taken
     * @return list<array{place: string, name: string, measure: string, asked: string, found: int|float, missing: int|float}>
     *     missing: below 0 where there is too much
     */
    public static function short(Blueprint $blueprint, array $taken, Availability $availability): array
    {
        $short = [];
        foreach (BlueprintProblem::demands($blueprint, $availability) as $demand) {
            foreach ($demand->found($taken) as $measure => $amount) {
                $range = $demand->ranges[$measure];
                if ($range->has($amount)) {
                    continue;
                }
                $short[] = [
                    'place' => $demand->id,
                    'name' => $demand->title,
                    'measure' => $measure,
                    'asked' => $range->said(),
                    'found' => Exact::number($amount),
                    'missing' => Exact::number(self::end($range, $amount)->minus($amount)),
                ];
            }
        }

        return $short;
    }

    /** The end of a range that an amount is beyond. */
    private static function end(Range $range, BigRational $amount): BigRational
    {
        $isLess = $range->min !== null && $amount->isLessThan($range->min);

        return ($isLess ? $range->min : $range->max) ?? $amount;
    }
}
