<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Words;

/** "(2 marks)", "[3]", "– 2 pts", "____ / 4": what a question is worth, as it is typed. */
final class Points
{
    private const NUMBER = '(\d{1,3}(?:[.,]\d{1,4})?)';

    /** @return array{Words, string|null} the words without it, and the points */
    public static function in(Words $words): array
    {
        $word = '(?:'.Vocabulary::POINTS_WORD.'|p)\.?';
        $patterns = [
            '/\s*[(\[]\s*'.self::NUMBER."\s*$word(?:\s+each)?\s*[)\]]\s*/iu",
            '/\s*[(\[]\s*(?:'.Vocabulary::POINTS_WORD.'|worth)\s*:\s*'.self::NUMBER.'\s*[)\]]\s*/iu',
            '/\s*\[\s*'.self::NUMBER.'\s*\]\s*$/u',
            '/(?<=[.?:!…\x{FFFC}])\s*\(\s*(\d{1,2})\s*\)\s*$/u',
            '/(?:^|\s+[–—-]\s*|\s{2,}|\t|(?<=[.?!:])\s+)'.self::NUMBER."\s*$word\s*$/iu",
            '/\s*_{2,}\s*\/\s*'.self::NUMBER."(?:\s*$word)?\s*$/iu",
            '/(?:^|\s+)\/\s*'.self::NUMBER."\s*$word\s*$/iu",
        ];
        foreach ($patterns as $pattern) {
            if (preg_match($pattern, $words->text(), $m) === 1) {
                return [$words->without($pattern), str_replace(',', '.', $m[1])];
            }
        }

        return [$words, null];
    }

    /** "Total: 6 marks", "[Total 6]". */
    public static function total(string $text): ?string
    {
        $is = '/^[(\[]?\s*(?:total|sum|gesamt|summe|totaal|totale|razem|total\s+for\s+question\s+\d+)\s*(?:[:=]|'.
            'is)?\s*(?:_{2,}\s*\/\s*)?'.self::NUMBER.
            '\s*(?:'.Vocabulary::POINTS_WORD.')?\.?\s*[)\]]?$/iu';

        return preg_match($is, $text, $m) === 1 ? str_replace(',', '.', $m[1]) : null;
    }

    /** "2 marks each", "Each question is worth 2 points": of every question that follows. */
    public static function each(string $text): ?string
    {
        $word = '(?:'.Vocabulary::POINTS_WORD.')';
        foreach ([
            '/'.self::NUMBER."\s*$word\s+(?:each|per\s+question|a\s+question|for\s+each|je\b|chacune?|cada\s+una|ciascuna|elk|każde)/iu",
            '/\b(?:each|every|jede|chaque|cada|ogni|elke?|każde)\b[^.]{0,60}?\b'.self::NUMBER."\s*$word/iu",
            '/(?:je|à|jeweils)\s+'.self::NUMBER."\s*$word/iu",
        ] as $pattern) {
            if (preg_match($pattern, $text, $m) === 1) {
                return str_replace(',', '.', $m[1]);
            }
        }

        return null;
    }
}
