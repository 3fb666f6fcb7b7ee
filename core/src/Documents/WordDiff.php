<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/** Two texts word by word. */
final class WordDiff
{
    private const MOST = 1500;

    /**
     * @return list<array{'same'|'old'|'new', string}> runs in the order in which they are read; the old ones without the new are the old
     * text
     */
    public static function of(string $old, string $new): array
    {
        [$a, $b] = [self::tokens($old), self::tokens($new)];
        if (count($a) > self::MOST || count($b) > self::MOST) {
            return self::whole($old, $new);
        }
        $runs = [];
        $at = 0;
        [$struck, $written] = ['', ''];
        foreach ([...SequenceDiff::changes($a, $b), [count($a), 0, count($b), 0]] as [$i, $count, $j, $instead]) {
            $same = implode('', array_slice($a, $at, $i - $at));
            if (trim($same) !== '' || $count + $instead === 0) {
                array_push($runs, ['old', $struck], ['new', $written], ['same', $same]);
                [$struck, $written, $same] = ['', '', ''];
            }
            // A space between two changed words belongs to both: one run is read easier than three.
            $struck .= $same.implode('', array_slice($a, $i, $count));
            $written .= $same.implode('', array_slice($b, $j, $instead));
            $at = $i + $count;
        }

        return array_values(array_filter($runs, fn (array $run): bool => $run[1] !== ''));
    }

    /** @return list<array{'same'|'old'|'new', string}> the one struck, the other written, where words do not count */
    public static function whole(string $old, string $new): array
    {
        return $old === $new
            ? [['same', $old]]
            : array_values(array_filter([['old', $old], ['new', $new]], fn (array $run): bool => $run[1] !== ''));
    }

    /** @return list<string> words, numbers (1/2, 0.5), spaces, and single signs */
    private static function tokens(string $text): array
    {
        preg_match_all('/\p{N}+(?:[.,\/]\p{N}+)*|[\p{L}\p{N}\p{M}]+|\s+|[^\p{L}\p{N}\p{M}\s]/u', $text, $found);

        return $found[0];
    }
}
