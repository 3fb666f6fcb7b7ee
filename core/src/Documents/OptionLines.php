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

    /** What stands between the two things of a line, the surest first. */
    private const BETWEEN = ["\t", ' = ', ' – ', ' — ', ' - ', ' : ', ': '];

    /** @return list<string> */
    public static function clean(string $pasted): array
    {
        $lines = [];
        foreach (preg_split('/\R/u', mb_scrub($pasted, 'UTF-8')) ?: [] as $line) {
            $line = trim(
                (string) preg_replace('/[\p{Z}\t]+/u', ' ', (string) preg_replace('/[\x{200B}-\x{200D}\x{FEFF}\x{00AD}]/u', '', $line)),
            );
            if ($line !== '') {
                $lines[] = $line;
            }
        }
        $lines = array_slice($lines, 0, self::MOST);

        return self::withoutBullets($lines) ?? (self::withoutNumbers($lines) ?? $lines);
    }

    /**
     * Lines of two things each, as "term – definition" or two columns of a spreadsheet: cut at the first sign between them that every
     * line has.
     *
     * @return list<array{string, string}>|null null when there is none, or only one line
     */
    public static function pairs(string $pasted): ?array
    {
        $lines = array_values(
            array_filter(preg_split('/\R/u', mb_scrub($pasted, 'UTF-8')) ?: [], fn (string $line): bool => trim($line) !== ''),
        );
        foreach (count($lines) > 1 ? self::BETWEEN : [] as $sign) {
            $cut = array_map(
                fn (string $line): array => array_map(
                    fn (string $side): string => trim((string) preg_replace('/[\p{Z}\t]+/u', ' ', $side)),
                    explode($sign, $line, 2),
                ),
                array_slice($lines, 0, self::MOST),
            );
            if (array_filter($cut, fn (array $sides): bool => $sides[0] === '' || ($sides[1] ?? '') === '') === []) {
                $lefts = self::clean(implode("\n", array_column($cut, 0))); // their numbering goes with them

                return array_map(fn (string $left, array $sides): array => [$left, (string) $sides[1]], $lefts, $cut);
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $lines
     * @return list<string>|null null when not every line has one
     */
    private static function withoutBullets(array $lines): ?array
    {
        $without = array_map(fn (string $line): string => (string) preg_replace(self::BULLET, '', $line, 1), $lines);

        return $lines !== [] &&
            array_filter(array_keys($lines), fn (int $i): bool => $without[$i] === $lines[$i] || $without[$i] === '') === []
            ? $without
            : null;
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
