<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/**
 * A faulty text beside the right one: what differs, by the longest common subsequence of their words (Hunt and McIlroy 1976), as faults with
 * what is right instead.
 */
final class Amended
{
    public const MOST_WORDS = 1200;

    private const WORD = '/[\p{L}\p{N}\p{M}]+(?:[\'’.,:‐-][\p{L}\p{N}\p{M}]+)*/u';

    /**
     * @return list<array{int, int, string}> of the faulty text: byte offset and length of each fault, and what is right there
     */
    public static function faults(string $faulty, string $right): array
    {
        [$a, $b] = [self::words($faulty), self::words($right)];
        $faults = [];
        foreach (self::changes(array_column($a, 0), array_column($b, 0)) as [$i, $count, $j, $instead]) {
            // What is only missing or only too much is told with a word beside it.
            if ($count === 0 || $instead === 0) {
                [$i, $count, $j, $instead] = $i > 0 && $j > 0 ? [$i - 1, $count + 1, $j - 1, $instead + 1] : [$i, $count + 1, $j, $instead + 1];
            }
            if ($i + $count > count($a) || $j + $instead > count($b) || $count === 0 || $instead === 0) {
                continue;
            }
            $from = $a[$i][1];
            $to = $a[$i + $count - 1][1] + strlen($a[$i + $count - 1][0]);
            $words = substr($right, $b[$j][1], $b[$j + $instead - 1][1] + strlen($b[$j + $instead - 1][0]) - $b[$j][1]);
            $last = end($faults);
            if ($last !== false && $from < $last[0] + $last[1]) {
                continue;
            }
            $faults[] = [$from, $to - $from, $words];
        }

        return $faults;
    }

    /**
     * @param  list<string>  $a
     * @param  list<string>  $b
     * @return list<array{int, int, int, int}> from where how many of the first, from where how many of the second stand instead
     */
    private static function changes(array $a, array $b): array
    {
        [$n, $m] = [count($a), count($b)];
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
                [$i, $j] = [$i + 1, $j + 1];
                [$fromI, $fromJ] = [$i, $j];
            } elseif ($j >= $m || ($i < $n && $lengths[$i + 1][$j] >= $lengths[$i][$j + 1])) {
                $i++;
            } else {
                $j++;
            }
        }
        if ($i > $fromI || $j > $fromJ) {
            $changes[] = [$fromI, $i - $fromI, $fromJ, $j - $fromJ];
        }

        return $changes;
    }

    /** @return list<array{string, int}> word and byte offset */
    private static function words(string $text): array
    {
        preg_match_all(self::WORD, $text, $found, PREG_OFFSET_CAPTURE);

        return array_slice($found[0], 0, self::MOST_WORDS);
    }
}
