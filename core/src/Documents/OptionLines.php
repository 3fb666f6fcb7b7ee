<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/**
 * Lines somebody pasted, as options: blank ones dropped, spaces settled, and numbering, letters or bullets taken off, but only
 * where every line has them and they run on from one to the next; "I. Newton" alone is a name.
 */
final class OptionLines
{
    public const MOST = 500;

    private const BULLET = '/^(?:[•●○▪▫◦‣⁃∙·*–—-]|\[[ xX]?\]|[☐☑☒✓✔])\s+/u';

    /** @return list<string> */
    public static function clean(string $pasted): array
    {
        $lines = [];
        foreach (preg_split('/\R/u', mb_scrub($pasted, 'UTF-8')) ?: [] as $line) {
            $line = trim((string) preg_replace('/[\p{Z}\t]+/u', ' ', (string) preg_replace('/[\x{200B}-\x{200D}\x{FEFF}\x{00AD}]/u', '', $line)));
            if ($line !== '') {
                $lines[] = $line;
            }
        }
        $lines = array_slice($lines, 0, self::MOST);

        return self::withoutBullets($lines) ?? self::withoutNumbers($lines) ?? $lines;
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>|null null when not every line has one
     */
    private static function withoutBullets(array $lines): ?array
    {
        $without = array_map(fn (string $line): string => (string) preg_replace(self::BULLET, '', $line, 1), $lines);

        return $lines !== [] && array_filter(array_keys($lines), fn (int $i): bool => $without[$i] === $lines[$i] || $without[$i] === '') === [] ? $without : null;
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>|null null when they are not numbered through
     */
    private static function withoutNumbers(array $lines): ?array
    {
        if (count($lines) < 2) {
            return null;
        }
        foreach ([self::letters(...), self::digits(...), self::roman(...)] as $label) {
            $without = [];
            $first = null;
            foreach ($lines as $i => $line) {
                if (preg_match('/^\(?([A-Za-z]{1,5}|\d{1,3})\s?[.)\]:]\s*(\S.*)$/u', $line, $m) !== 1) {
                    return null;
                }
                $value = $label($m[1]);
                $first ??= $value;
                if ($value === null || $value !== $first + $i) {
                    continue 2;
                }
                $without[] = $m[2];
            }

            return $without;
        }

        return null;
    }

    private static function letters(string $label): ?int
    {
        return strlen($label) === 1 && ctype_alpha($label) ? ord(strtolower($label)) - 96 : null;
    }

    private static function digits(string $label): ?int
    {
        return ctype_digit($label) ? (int) $label : null;
    }

    private static function roman(string $label): ?int
    {
        $at = array_search(strtolower($label), ['i', 'ii', 'iii', 'iv', 'v', 'vi', 'vii', 'viii', 'ix', 'x', 'xi', 'xii'], true);

        return $at === false ? null : $at + 1;
    }
}
