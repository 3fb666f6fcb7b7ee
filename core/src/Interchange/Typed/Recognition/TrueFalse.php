<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** The two words of a true–false or yes–no question where they are offered: "T  F", "True / False", "(yes/no)". */
final class TrueFalse
{
    private const BOX = '(?:[☐☑☒✓✔○●◯□■]|\[[ xX✓]?\]|\([ xX]?\))?\s*';

    /**
     * A line that is nothing but the two.
     *
     * @return array{array{string, string}, list<Words>}|null
     */
    public static function line(Words $words): ?array
    {
        $or = '\s*(?:\/|\||,|\bor\b|\boder\b|\bou\b|\bo\b|\bof\b|\blub\b|\s)\s*';
        $is = '/^'.self::BOX.'(\p{L}+)'.$or.self::BOX.'(\p{L}+)\s*[.:?]?$/iu';
        if (preg_match($is, $words->text(), $m, PREG_OFFSET_CAPTURE) !== 1) {
            return null;
        }

        return self::found($words, $m);
    }

    /**
     * At the end or the beginning of a sentence.
     *
     * @return array{array{string, string}, list<Words>, Words}|null the rest of the words as well
     */
    public static function inSentence(Words $words): ?array
    {
        $long = array_values(array_unique(array_map(fn (array $pair): string => "{$pair[0]}|{$pair[1]}", Vocabulary::TRUTH)));
        $word = '(?:'.implode('|', $long).')';
        $or = '\s*(?:\/|\||\bor\b|\boder\b|\bou\b|\bof\b|\blub\b)\s*';
        foreach ([
            "/[(\\[]?\\s*\\b($word)$or($word)\\b\\s*[)\\]]?\\s*[:?.]?/iu",
            '/(?:\s|^)[(\[]?\s*\b([TRWVPJGCYSO])\s*[\/|]\s*([FONIW])\b\s*[)\]]?\s*[.:]?$/u',
            '/^[(\[]?\s*([TRWVP])\s*(?:[\/|]|\s)\s*(F)\b\s*[)\]]?[\s.:]+(?=\S)/u',
            '/(?:\s{2,}|\t|(?<=[.)])\s)[(\[]?\s*([TRWVP])\s+(F)\s*[)\]]?$/u',
            '/(?:\\s{2,}|\\t|(?<=[.])\\s)'.self::BOX."($word)\\s+".self::BOX."($word)\\s*$/iu",
        ] as $is) {
            if (preg_match($is, $words->text(), $m, PREG_OFFSET_CAPTURE) === 1) {
                $found = self::found($words, $m);
                if ($found !== null) {
                    return [$found[0], $found[1], $words->without($is)];
                }
            }
        }

        return null;
    }

    /**
     * @param  array<array{string, int}>  $m
     * @return array{array{string, string}, list<Words>}|null
     */
    private static function found(Words $words, array $m): ?array
    {
        [$a, $b] = [mb_strtolower($m[1][0]), mb_strtolower($m[2][0])];
        foreach (Vocabulary::TRUTH as [$true, $false, $t, $f]) {
            if (($a === $true && $b === $false) || ($a === $t && $b === $f && ctype_upper($m[1][0][0]))) {

                return [
                    [Vocabulary::capital($true), Vocabulary::capital($false)],
                    [
                        $words->slice(0, $m[1][1] + strlen($m[1][0]))->slice(self::boxStart($words->text(), $m[1][1])),
                        $words->slice(
                            self::boxStart($words->text(), $m[2][1]),
                            strlen($m[2][0]) + $m[2][1] - self::boxStart($words->text(), $m[2][1]),
                        ),
                    ],
                ];
            }
        }

        return null;
    }

    private static function boxStart(string $text, int $at): int
    {
        return preg_match('/(?:[☐☑☒✓✔○●◯□■]|\[[ xX✓]?\]|\([ xX]\))\s*$/u', substr($text, 0, $at), $m) === 1 ? $at - strlen($m[0]) : $at;
    }
}
