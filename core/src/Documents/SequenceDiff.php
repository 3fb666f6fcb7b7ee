<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/** Where two lists differ, by their longest common subsequence (Hunt and McIlroy 1976). */
final class SequenceDiff
{
    /**
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int, int, int, int}> from where how many of the first, and from where how many of the second stand instead
     */
    public static function changes(array $a, array $b): array
    {
        $head = 0;
        while (isset($a[$head], $b[$head]) && $a[$head] === $b[$head]) {
            $head++;
        }
        $tail = 0;
        while (count($a) - $tail > $head && count($b) - $tail > $head && $a[count($a) - 1 - $tail] === $b[count($b) - 1 - $tail]) {
            $tail++;
        }
        $changes = self::between(array_slice($a, $head, count($a) - $head - $tail), array_slice($b, $head, count($b) - $head - $tail));

        return array_map(fn (array $change): array => [$change[0] + $head, $change[1], $change[2] + $head, $change[3]], $changes);
    }

    /**
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int, int, int, int}>
     */
    private static function between(array $a, array $b): array
    {
        [$n, $m] = [count($a), count($b)];
        if ($n === 0 || $m === 0) {
            return $n + $m === 0 ? [] : [[0, $n, 0, $m]];
        }
        $lengths = array_fill(0, $n + 1, array_fill(0, $m + 1, 0));
        for ($i = $n - 1; $i >= 0; $i--) {
            for ($j = $m - 1; $j >= 0; $j--) {
                $lengths[$i][$j] = $a[$i] === $b[$j] ? $lengths[$i + 1][$j + 1] + 1 : max($lengths[$i + 1][$j], $lengths[$i][$j + 1]);
            }
        }
        $changes = [];
        [$i, $j, $fromI, $fromJ] = [0, 0, 0, 0];
        while ($i < $n || $j < $m) {
            if ($i < $n && $j < $m && $a[$i] === $b[$j]) {
                if ($i > $fromI || $j > $fromJ) {
                    $changes[] = [$fromI, $i - $fromI, $fromJ, $j - $fromJ];
                }
                [$fromI, $fromJ] = [++$i, ++$j];
            } elseif ($j >= $m || ($i < $n && $lengths[$i + 1][$j] >= $lengths[$i][$j + 1])) {
                $i++;
            } else {
                $j++;
            }
        }

        return $i > $fromI || $j > $fromJ ? [...$changes, [$fromI, $i - $fromI, $fromJ, $j - $fromJ]] : $changes;
    }
}
