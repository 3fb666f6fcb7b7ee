<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Choice;

/** What an option is called on paper and in keys: A, a, 1 or i, and those after them. */
final class OptionLabel
{
    /** @param  string  $style  as settings have it; "none" has no labels */
    public static function at(string $style, int $place): string
    {
        return match ($style) {
            'none' => '',
            'a' => self::letters($place, 'a'),
            '1' => (string) ($place + 1),
            'i' => strtolower((string) (new \NumberFormatter('@numbers=romanlow', \NumberFormatter::DECIMAL))->format($place + 1)),
            default => self::letters($place, 'A'),
        };
    }

    /** A to Z, then AA, AB and so on. */
    private static function letters(int $place, string $first): string
    {
        return ($place >= 26 ? chr(ord($first) + intdiv($place, 26) - 1) : '').chr(ord($first) + $place % 26);
    }
}
