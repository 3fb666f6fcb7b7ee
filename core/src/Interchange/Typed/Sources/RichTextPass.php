<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

/**
 * Goes over RTF (version 1.9.1) before it is converted. Colours and highlighting are written into the text where they begin and end;
 * a group restores what was before it. Numbers of lists become text.
 */
final class RichTextPass
{
    private const TOKEN = '/\\\\(?:([a-z]+)(-?\d+)? ?|\'[0-9a-f]{2}|[^a-z])|[{}]|[^\\\\{}]+/i';

    /** Groups that hold no text of the document. */
    private const APART = ['fonttbl', 'colortbl', 'stylesheet', 'info', 'pict', 'listtable', 'listoverridetable', 'generator', 'themedata',
        'header', 'headerl', 'headerr', 'headerf', 'footer', 'footerl', 'footerr', 'footerf', 'fldinst', 'object',
        'bkmkstart', 'bkmkend', ];

    public static function over(string $bytes): string
    {
        $colours = self::colours($bytes);
        $out = '';
        $state = ['cf' => 0, 'highlight' => 0, 'apart' => false];
        $stack = [];
        preg_match_all(self::TOKEN, $bytes, $tokens, PREG_SET_ORDER);
        foreach ($tokens as $i => $token) {
            $word = strtolower($token[1] ?? '');
            if ($token[0] === '{') {
                $stack[] = $state;
            } elseif ($token[0] === '}') {
                $state = array_pop($stack) ?? $state;
            } elseif ($token[0] === '\\*' || in_array($word, self::APART, true)) {
                $state['apart'] = true;
            } elseif (in_array($word, ['listtext', 'ls', 'ilvl'], true)) {
                continue; // the number stands there as text; the converter would count by itself
            } elseif ($word === 'plain') {
                [$state['cf'], $state['highlight']] = [0, 0];
            } elseif ($word === 'cf') {
                $state['cf'] = (int) ($token[2] ?? 0);
            } elseif (in_array($word, ['highlight', 'chcbpat', 'cb'], true)) {
                $state['highlight'] = (int) ($token[2] ?? 0);
            } elseif ($word === '' && ! $state['apart'] && ! str_starts_with($token[0], '\\') && trim($token[0]) !== '') {
                $token[0] = self::marked($token[0], $state, $colours);
            }
            $out .= $token[0];
        }

        return $out;
    }

    /**
     * @param  array{cf: int, highlight: int, apart: bool}  $state
     * @param  array<int, string>  $colours
     */
    private static function marked(string $text, array $state, array $colours): string
    {
        foreach (['colour' => $colours[$state['cf']] ?? '', 'highlight' => $colours[$state['highlight']] ?? ''] as $mark => $value) {
            if ($value !== '' && $value !== '000000' && $value !== 'ffffff') {
                [$before, $after] = explode("\0", Passed::marked("$mark:$value", "\0"));
                $text = self::escaped($before).$text.self::escaped($after);
            }
        }

        return $text;
    }

    private static function escaped(string $text): string
    {
        // numbers are of 16 bits with a sign
        return (string) preg_replace_callback('/[^\x00-\x7F]/u', fn (array $m): string => '\\u'.(mb_ord($m[0]) - 65536).' ?', $text);
    }

    /** @return array<int, string> as six digits, by their number; 0 is the usual one */
    private static function colours(string $bytes): array
    {
        if (preg_match('/\{\\\\colortbl\s*;?([^{}]*)\}/', $bytes, $m) !== 1) {
            return [];
        }
        $colours = [];
        foreach (explode(';', $m[1]) as $i => $one) {
            if (preg_match('/\\\\red(\d+)\s*\\\\green(\d+)\s*\\\\blue(\d+)/', $one, $rgb) === 1) {
                $colours[$i + 1] = sprintf('%02x%02x%02x', (int) $rgb[1], (int) $rgb[2], (int) $rgb[3]);
            }
        }

        return $colours;
    }
}
