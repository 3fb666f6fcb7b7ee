<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\Typed\Recognition\Vocabulary;

/** A list of answers apart from the questions: "1. B", "2) A, D", or all on one line, "1 C 2 A,D 3 true". */
final class KeySection
{
    private const SHORT = '(?:[A-Za-z](?:\s*(?:,|;|\/|&|and)\s*[A-Za-z])*|true|false)';

    /**
     * @param  array<int, string>  $lines
     * @param  array<int, string>  $unused  receives the lines that are not answers, under the index they had
     * @return array<int, string> number → answer as it was typed
     */
    public static function read(array $lines, array &$unused = []): array
    {
        $unused = [];
        $answers = [];
        $last = null;
        foreach ($lines as $at => $line) {
            $many = self::short($line) ?: self::numbered($line);
            if ($many !== []) {
                $answers += $many;
                $last = array_key_last($many);
            } elseif (
                preg_match('/^\(?(\d{1,4})\s*(?:[.):=–-]\s*|\s+)(\S.*)$/u', $line, $m) === 1 &&
                ! isset($answers[(int) $m[1]]) &&
                ((int) $m[1] < 1000 || (int) $m[1] === $last + 1) // else a year
            ) {
                $last = (int) $m[1];
                $answers[$last] = trim($m[2]);
            } elseif ($last !== null) {
                $answers[$last] .= ' '.$line;
            } else {
                $unused[$at] = $line;
            }
        }

        return $answers;
    }

    /**
     * The answers of one line of a key, several or one.
     *
     * @return array<int|string, string> number, or number and letter such as `3b` → answer as it was typed
     */
    public static function line(string $line): array
    {
        $words = Vocabulary::QUESTION;
        $line = (string) preg_replace("/^(?:$words)\s*[.:#]?\s*(?=\d)/iu", '', $line);
        // "Part II: 4. T  5. T"
        $line = (string) preg_replace('/^(?:'.Vocabulary::SECTION.')\s+\w{1,4}\s*[:.–—-]\s*(?=\(?\d)/iu', '', $line);
        $many = self::short($line) ?: self::numbered($line);
        if ($many !== []) {
            return $many;
        }
        if (preg_match('/^(\d{1,4})\s*\(?([a-h])(?:\)\s*|[.:]\s+)(\S.*)$/u', $line, $m) === 1) {
            return [$m[1].$m[2] => trim($m[3])];
        }
        if (preg_match('/^\(?(\d{1,4})\s*(?:[.):=–-]\s*|\s+)(\S.*)$/u', $line, $m) === 1 && (int) $m[1] < 1000) {
            return [(int) $m[1] => trim((string) preg_replace('/^(?:'.Vocabulary::ANSWER.')\s*[:.]\s*/iu', '', trim($m[2])))];
        }

        return [];
    }

    /** @return array<int, string> when the line is nothing but short answers, at least two */
    public static function short(string $line): array
    {
        $one = '\(?(\d{1,4})\s*[.):=–-]?\s*('.self::SHORT.')\b';
        if (
            preg_match(
                '/^\s*(?:'.str_replace(['(\d', '('.self::SHORT.')'], ['(?:\d', self::SHORT], $one).'[\s,;|]*){2,}$/iu',
                $line,
            ) !== 1
        ) {
            return [];
        }
        preg_match_all("/$one/iu", $line, $found, PREG_SET_ORDER);
        $answers = [];
        foreach ($found as $m) {
            $answers[(int) $m[1]] ??= trim($m[2]);
        }

        return $answers;
    }

    /**
     * Answers after consecutive numbers on one line, of any kind: "1. A 2. B 3. Equator".
     *
     * @return array<int, string> empty when there are fewer than two
     */
    private static function numbered(string $line): array
    {
        foreach (['/(?:^|[\s,;|]+)\(?(\d{1,4})\s*[.):=–-]\s*(?=\S)/u', '/(?:^|[\s,;|]+)(\d{1,4})\s+(?=\p{L})/u'] as $mark) {
            preg_match_all($mark, $line, $found, PREG_OFFSET_CAPTURE | PREG_SET_ORDER);
            $answers = $starts = [];
            foreach ($found as $m) {
                // a number out of sequence belongs to the answer
                $runsOn = $starts === [] ? $m[0][1] === 0 : (int) $m[1][0] === $starts[count($starts) - 1][0] + 1;
                if ($runsOn) {
                    $starts[] = [(int) $m[1][0], $m[0][1], $m[0][1] + strlen($m[0][0])];
                }
            }
            foreach (count($starts) < 2 ? [] : $starts as $i => [$number, , $from]) {
                $answers[$number] = trim(substr($line, $from, ($starts[$i + 1][1] ?? strlen($line)) - $from), " \t,;|");
            }
            if ($answers !== [] && ! in_array('', $answers, true)) {
                return $answers;
            }
        }

        return [];
    }
}
