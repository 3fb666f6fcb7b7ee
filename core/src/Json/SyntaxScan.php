<?php

declare(strict_types=1);

namespace WideQuarry\Json;

/** Finds where a text stops being JSON (RFC 8259); used only once PHP's own decoder has refused it. */
final class SyntaxScan
{
    private const TOKEN = '/\G\s*(?:([\[{])|([\]}])|(,)|(:)|("(?:[^"\\\\\x00-\x1f]|\\\\(?:["\\\\\/bfnrt]|u[0-9a-fA-F]{4}))*+")|(-?(?:0|[1-9]\d*)(?:\.\d+)?(?:[eE][+-]?\d+)?|true|false|null))/A';

    /** @return int byte offset of the first token that cannot stand where it stands */
    public static function firstProblem(string $text): int
    {
        $offset = 0;
        $open = [];
        $wants = 'value';
        while (preg_match(self::TOKEN, $text, $m, PREG_UNMATCHED_AS_NULL, $offset) === 1) {
            $next = self::step($wants, $open, $m);
            if ($next === null) {
                break;
            }
            $wants = $next;
            $offset += strlen((string) $m[0]);
        }

        return $offset + strspn($text, " \t\r\n", $offset);
    }

    /**
     * @param  list<string>  $open
     * @param  array<int, string|null>  $m
     */
    private static function step(string $wants, array &$open, array $m): ?string
    {
        $inside = $open === [] ? '' : $open[count($open) - 1];
        $after = $open === [] ? 'end' : 'comma';
        if ($m[1] !== null && in_array($wants, ['value', 'value or ]'], true)) {
            $open[] = $m[1];

            return $m[1] === '{' ? 'key or }' : 'value or ]';
        }
        if ($m[2] !== null && (($wants === 'comma' || str_contains($wants, ' or ')) && $inside === ($m[2] === '}' ? '{' : '['))) {
            array_pop($open);

            return $open === [] ? 'end' : 'comma';
        }
        if ($m[3] !== null && $wants === 'comma') {
            return $inside === '{' ? 'key' : 'value';
        }
        if ($m[4] !== null && $wants === 'colon') {
            return 'value';
        }
        if ($m[5] !== null && str_starts_with($wants, 'key')) {
            return 'colon';
        }

        return ($m[5] ?? $m[6]) !== null && str_starts_with($wants, 'value') ? $after : null;
    }
}
