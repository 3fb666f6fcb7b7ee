<?php

declare(strict_types=1);

namespace WideQuarry\Search;

use WideQuarry\Content\Unicode;

/**
 * Splits text into words as teachers write them. Units (g/cm3), codes (FEF.2.3.b), hyphenated words and formulas (H₂O)
 * count both whole and in pieces. The index, the query and the marks in a list all read by this, so they agree.
 */
final class Splitter
{
    private const LETTERS = '\p{L}\p{N}\p{M}';

    /** What may stand between two letters of one word. */
    private const JOINTS = "\\-‐‑–−'’.,\\/_·⋅*^:";

    private const LONGEST = 100;

    /** Letters that no decomposition brings to plain ones. */
    private const PLAIN = [
        'ß' => 'ss',
        'æ' => 'ae',
        'œ' => 'oe',
        'ø' => 'o',
        'ł' => 'l',
        'đ' => 'd',
        'ð' => 'd',
        'þ' => 'th',
        'ı' => 'i',
        '‐' => '-',
        '‑' => '-',
        '–' => '-',
        '−' => '-',
        '’' => "'",
        '⋅' => '·',
    ];

    /** @return list<Word> */
    public static function words(string $text): array
    {
        $text = mb_scrub($text, 'UTF-8');
        preg_match_all(
            '/['.self::LETTERS.']+(?:['.self::JOINTS.']['.self::LETTERS.']+|[⁺⁻]['.self::LETTERS.']+)*/u',
            $text,
            $found,
            PREG_OFFSET_CAPTURE,
        );
        $words = [];
        foreach ($found[0] as [$word, $offset]) {
            $whole = self::fold(strlen($word) > self::LONGEST ? mb_substr($word, 0, self::LONGEST) : $word);
            if (ctype_alnum($whole)) {
                // most words
                $words[] = new Word($word, $offset, $whole, [$whole]);

                continue;
            }
            $pieces = preg_split('/[^\p{L}\p{N}]+/u', str_replace("'", '', $whole), -1, PREG_SPLIT_NO_EMPTY) ?: [];
            if ($whole !== '') {
                $words[] = new Word($word, $offset, str_replace("'", '', $whole), $pieces === [] ? [$whole] : $pieces);
            }
        }

        return $words;
    }

    /** Without capitals, accents and raised or lowered digits. */
    public static function fold(string $text): string
    {
        if (preg_match('/[^\x20-\x7E]/', $text) !== 1) {
            return strtolower($text);
        }
        $text = strtr($text, ['⁻' => '-', '⁺' => '+']);
        $plain = (string) preg_replace('/\p{Mn}+/u', '', Unicode::nfkd($text));

        return strtr(mb_convert_case($plain, MB_CASE_FOLD_SIMPLE, 'UTF-8'), self::PLAIN);
    }
}
