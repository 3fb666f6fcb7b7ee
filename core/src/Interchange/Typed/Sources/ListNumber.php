<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

/** A number of a list as it is written: 3, c, C, iii or III. */
final class ListNumber
{
    private const ROMAN = [
        'm' => 1000, 'cm' => 900, 'd' => 500, 'cd' => 400, 'c' => 100, 'xc' => 90, 'l' => 50, 'xl' => 40, 'x' => 10, 'ix' => 9, 'v' => 5,
        'iv' => 4, 'i' => 1,
    ];

    /** @param  string  $type  as the attribute of HTML: `1`, `a`, `A`, `i`, `I` */
    public static function text(int $value, string $type): string
    {
        return match ($type) {
            'a' => self::letters($value),
            'A' => strtoupper(self::letters($value)),
            'i' => self::roman($value),
            'I' => strtoupper(self::roman($value)),
            default => (string) $value,
        };
    }

    private static function letters(int $value): string
    {
        return $value < 1 || $value > 260 ? (string) $value : str_repeat(chr(97 + (($value - 1) % 26)), intdiv($value - 1, 26) + 1);
    }

    private static function roman(int $value): string
    {
        if ($value < 1 || $value > 3999) {
            return (string) $value;
        }
        $roman = '';
        foreach (self::ROMAN as $letters => $worth) {
            while ($value >= $worth) {
                $roman .= $letters;
                $value -= $worth;
            }
        }

        return $roman;
    }

    /** @return int|null 1 to 39; null when it is no roman number */
    public static function ofRoman(string $roman): ?int
    {
        for ($value = 1; $value < 40; $value++) {
            if (self::roman($value) === strtolower($roman)) {
                return $value;
            }
        }

        return null;
    }
}
