<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/**
 * A faulty text beside the right one: where their words differ, as faults with what is right instead.
 */
final class CorrectedText
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
        foreach (SequenceDiff::changes(array_column($a, 0), array_column($b, 0)) as [$i, $count, $j, $instead]) {
            // What is only missing or only too much is told with a word beside it.
            if ($count === 0 || $instead === 0) {
                [$i, $count, $j, $instead] =
                    $i > 0 && $j > 0 ? [$i - 1, $count + 1, $j - 1, $instead + 1] : [$i, $count + 1, $j, $instead + 1];
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

    /** @return list<array{string, int}> word and byte offset */
    private static function words(string $text): array
    {
        preg_match_all(self::WORD, $text, $found, PREG_OFFSET_CAPTURE);

        return array_slice($found[0], 0, self::MOST_WORDS);
    }
}
