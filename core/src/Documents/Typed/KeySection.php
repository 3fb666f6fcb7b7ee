<?php

declare(strict_types=1);

namespace WideQuarry\Documents\Typed;

/** A list of answers apart from the questions: "1. B", "2) A, D", or all on one line, "1 C 2 A,D 3 true". */
final class KeySection
{
    private const SHORT = '(?:[A-Za-z](?:\s*(?:,|;|\/|&|and)\s*[A-Za-z])*|true|false)';

    /**
     * @param  list<string>  $lines
     * @return array<int, string> number → answer as it was typed
     */
    public static function read(array $lines): array
    {
        $answers = [];
        $last = null;
        foreach ($lines as $line) {
            $many = self::many($line);
            if ($many !== []) {
                $answers += $many;
                $last = array_key_last($many);
            } elseif (preg_match('/^\(?(\d{1,3})\s*(?:[.):=–-]\s*|\s+)(\S.*)$/u', $line, $m) === 1 && ! isset($answers[(int) $m[1]])) {
                $last = (int) $m[1];
                $answers[$last] = trim($m[2]);
            } elseif ($last !== null) {
                $answers[$last] .= ' '.$line;
            }
        }

        return $answers;
    }

    /** @return array<int, string> when the line is nothing but short answers, at least two */
    private static function many(string $line): array
    {
        $one = '\(?(\d{1,3})\s*[.):=–-]?\s*('.self::SHORT.')\b';
        if (preg_match('/^\s*(?:'.str_replace(['(\d', '('.self::SHORT.')'], ['(?:\d', self::SHORT], $one).'[\s,;|]*){2,}$/iu', $line) !== 1) {
            return [];
        }
        preg_match_all("/$one/iu", $line, $found, PREG_SET_ORDER);
        $answers = [];
        foreach ($found as $m) {
            $answers[(int) $m[1]] ??= trim($m[2]);
        }

        return $answers;
    }
}
