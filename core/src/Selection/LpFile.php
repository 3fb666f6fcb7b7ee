<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigInteger;

/** A programme in the LP format that solvers read: objective, rows, bounds, and which variables are whole numbers. */
final class LpFile
{
    /** A line of the format may have 560 characters. */
    private const TERMS = 12;

    public static function write(Programme $programme): string
    {
        // cbc's reader takes a variable for an error that first comes among the bounds
        $objective = $programme->objective() + array_fill(0, count($programme->upper()), BigInteger::zero());
        $lines = ['Maximize', ' obj: '.self::sum($objective)];
        $lines[] = 'Subject To';
        foreach ($programme->rows() as $i => ['coefficients' => $coefficients, 'low' => $low, 'high' => $high]) {
            if ($coefficients === []) {
                continue;
            }
            $sum = self::sum($coefficients);
            if ($low !== null && $high !== null && $low->isEqualTo($high)) {
                $lines[] = " r$i: $sum = $low";

                continue;
            }
            if ($low !== null) {
                $lines[] = " l$i: $sum >= $low";
            }
            if ($high !== null) {
                $lines[] = " h$i: $sum <= $high";
            }
        }
        $names = [];
        $lines[] = 'Bounds';
        foreach ($programme->upper() as $i => $upper) {
            $lines[] = " 0 <= x$i <= $upper";
            $names[] = "x$i";
        }
        $lines[] = 'General';
        foreach (array_chunk($names, self::TERMS) as $some) {
            $lines[] = ' '.implode(' ', $some);
        }
        $lines[] = 'End';

        return implode("\n", $lines)."\n";
    }

    /** @param  array<int, BigInteger>  $coefficients  by variable */
    private static function sum(array $coefficients): string
    {
        $terms = [];
        foreach ($coefficients as $variable => $coefficient) {
            $terms[] = ($coefficient->isNegative() ? '- ' : '+ ').$coefficient->abs()." x$variable";
        }

        return implode("\n   ", array_map(fn (array $some): string => implode(' ', $some), array_chunk($terms, self::TERMS)));
    }
}
