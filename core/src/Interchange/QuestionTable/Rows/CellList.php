<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Rows;

/** Several things in one cell: a line each, or bars, semicolons or strokes between them, or letters before them. */
final class CellList
{
    /**
     * @param  bool  $commas  whether commas part things too, where nothing surer does
     * @return list<string>
     */
    public static function of(string $cell, bool $commas = true): array
    {
        $cell = trim($cell);
        $lettered = self::lettered($cell);
        if ($lettered !== null) {
            return $lettered;
        }
        foreach (['/\R/u', '/\s*\|\s*/u', '/\s*;\s*/u', '~\s+/\s+~u', ...$commas ? ['/\s*,\s+|\s*,(?!\d)/u'] : []] as $between) {
            if (preg_match($between, $cell) === 1) {
                return self::filled(preg_split($between, $cell) ?: []);
            }
        }

        return $cell === '' ? [] : [$cell];
    }

    /**
     * @param  array<string>  $parts
     * @return list<string>
     */
    private static function filled(array $parts): array
    {
        $parts = array_map(fn (string $one): string => trim((string) preg_replace('/^[•·*–-]\s+/u', '', trim($one))), $parts);

        return array_values(array_filter($parts, fn (string $one): bool => $one !== ''));
    }

    /** @return list<string>|null "A) red B) green C) blue", without the letters; null when it is none */
    private static function lettered(string $cell): ?array
    {
        if (preg_match('/^\(?(?:A|a|1)[.)]\s*\S/u', $cell) !== 1) {
            return null;
        }
        $parts = preg_split('/(?:^|[\s;|,]+)\(?([A-Za-z]|\d{1,2})[.)]\s+/u', $cell, -1, PREG_SPLIT_DELIM_CAPTURE) ?: [];
        $found = [];
        for ($i = 1; $i + 1 < count($parts); $i += 2) {
            $at = ctype_digit($parts[$i]) ? (int) $parts[$i] - 1 : ord(strtolower($parts[$i])) - 97;
            if ($at !== count($found)) {
                return null;
            }
            $found[] = trim($parts[$i + 1], " \t\n;|,");
        }

        return count($found) > 1 ? $found : null;
    }
}
