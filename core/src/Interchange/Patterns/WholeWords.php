<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Patterns;

/** "Holds these words", on their bounds, as an expression of XML Schema, and back. */
final class WholeWords
{
    private const BEFORE = '([\s\S]*[^\p{L}\p{N}\p{M}])?';

    private const AFTER = '([^\p{L}\p{N}\p{M}][\s\S]*)?';

    public static function pattern(string $words, bool $ignoreCase): ?string
    {
        $middle = XsdPatternWriter::pattern(preg_quote($words), true, $ignoreCase);

        return $middle === null ? null : self::BEFORE.$middle.self::AFTER;
    }

    /** @return array{string, bool}|null the words, and whether capitals do not matter; null when the expression says something else */
    public static function read(string $pattern): ?array
    {
        if (
            ! str_starts_with($pattern, self::BEFORE) ||
            ! str_ends_with($pattern, self::AFTER) ||
            strlen($pattern) < strlen(self::BEFORE.self::AFTER) + 1
        ) {
            return null;
        }
        $middle = substr($pattern, strlen(self::BEFORE), -strlen(self::AFTER));
        $plain = (string) preg_replace('/\\\\(\W)/u', '$1', $middle);
        foreach ([(string) preg_replace('/\[(.)(.)\]/u', '$1', $plain), $plain] as $said) {
            // without the pairs of cases; or words in which brackets stand
            foreach ([true, false] as $ignoreCase) {
                if (self::pattern($said, $ignoreCase) === $pattern) {
                    return [$said, $ignoreCase];
                }
            }
        }

        return null;
    }
}
