<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

/**
 * Edits between two words, counted in graphemes: insert, delete, replace, swap neighbours; no piece is edited twice
 * (optimal string alignment, Damerau 1964, Communications of the ACM 7, 171, in the form of Wagner and Fischer 1974).
 */
final class EditDistance
{
    private const LONGEST = 200;

    /** @return int|null edits, or null when there are more than $limit or a word is too long to compare */
    public static function between(string $one, string $other, int $limit): ?int
    {
        $a = self::graphemes($one);
        $b = self::graphemes($other);
        if (abs(count($a) - count($b)) > $limit || max(count($a), count($b)) > self::LONGEST) {
            return null;
        }
        /** @var list<int> $before */
        $before = [];
        /** @var list<int> $previous */
        $previous = range(0, count($b));
        foreach ($a as $i => $left) {
            /** @var list<int> $row */
            $row = [$i + 1];
            foreach ($b as $j => $right) {
                $row[] = min($previous[$j + 1] + 1, $row[$j] + 1, $previous[$j] + ($left === $right ? 0 : 1));
                // before the first letter there is none, which no letter equals: the guard spares PHP a warning
                if ($i > 0 && $j > 0 && $left === $b[$j - 1] && $a[$i - 1] === $right) { // @pest-mutate-ignore
                    $row[$j + 1] = min($row[$j + 1], $before[$j - 1] + 1);
                }
            }
            [$before, $previous] = [$previous, $row];
        }
        $edits = $previous[count($b)];

        return $edits <= $limit ? $edits : null;
    }

    /** @return list<string> */
    private static function graphemes(string $text): array
    {
        if (preg_match('/[^\x20-\x7e]/', $text) !== 1) {
            return $text === '' ? [] : str_split($text);
        }
        preg_match_all('/\X/u', $text, $m);

        return $m[0];
    }
}
