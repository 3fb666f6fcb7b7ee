<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** Reads the solution that cbc writes: a line that says how it ended, then a line for each variable that is not 0. */
final class SolutionFile
{
    /**
     * @param  string|null  $bound  what it said on the way, for the bound of what was not proved
     *
     * @throws SolverFailed
     */
    public static function read(string $text, Programme $programme, ?string $bound = null): Solved
    {
        $lines = explode("\n", trim($text));
        $ending = (string) array_shift($lines);
        if (preg_match('/^(Integer infeasible|Infeasible)\b/', $ending) === 1) {
            return Solved::impossible();
        }
        if (preg_match('/^(Optimal|Stopped on) /', $ending, $how) !== 1) {
            throw SolverFailed::rubbish();
        }
        if (str_contains($ending, 'no integer solution')) {
            return Solved::unknown();
        }
        $values = self::values($lines, $programme->upper());

        $isBounded = preg_match('/^(?:Lower|Upper) bound:\s+(-?[\d.e+]+)/m', $bound ?? '', $m) === 1;

        return $how[1] === 'Optimal' ? Solved::best($values) : Solved::found($values, $isBounded ? abs((float) $m[1]) : null);
    }

    /**
     * @param  list<string>  $lines
     * @param  list<int>  $upper
     * @return list<int>
     *
     * @throws SolverFailed
     */
    private static function values(array $lines, array $upper): array
    {
        $values = array_fill(0, count($upper), 0);
        foreach ($lines as $line) {
            if (preg_match('/^[\s*]*\d+ +x(\d+) +(-?[\d.]+(?:e[+-]?\d+)?) /i', "$line ", $m) !== 1 || ! isset($upper[(int) $m[1]])) {
                throw SolverFailed::rubbish();
            }
            $value = (float) $m[2];
            $whole = (int) round($value);
            if (abs($value - $whole) > 1e-4 || $whole < 0 || $whole > $upper[(int) $m[1]]) {
                throw SolverFailed::rubbish();
            }
            $values[(int) $m[1]] = $whole;
        }

        return array_values($values);
    }
}
