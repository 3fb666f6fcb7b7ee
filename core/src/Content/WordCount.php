<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * How many words a text has: what stands between spaces and holds a letter or a digit. "well-known" and "3.5" are one word each, a dash
 * on its own is none. Chinese and Japanese put no spaces between words; there, each character counts.
 */
final class WordCount
{
    private const WITHOUT_SPACES = '\p{Han}\p{Hiragana}\p{Katakana}';

    private const PIECE = '[^\s'.self::WITHOUT_SPACES.']*';

    private const WORD = '/['.self::WITHOUT_SPACES.']|'.self::PIECE.'[\p{L}\p{N}]'.self::PIECE.'/u';

    public static function of(string $text): int
    {
        return (int) preg_match_all(self::WORD, mb_scrub($text, 'UTF-8'));
    }
}
