<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/** A table as it comes from a spreadsheet: cells between tabs, a cell with line breaks or tabs in quotes (RFC 4180 with tabs). */
final class SpreadsheetCells
{
    public const MOST_ROWS = 200;

    public const MOST_COLUMNS = 40;

    /**
     * @param  bool  $tabs  whether only tabs stand between cells; otherwise semicolons do where there is no tab
     * @return list<list<string>> every row as long; empty rows at the end are dropped
     */
    public static function read(string $pasted, bool $tabs = false): array
    {
        $text = trim(mb_scrub(str_replace(["\r\n", "\r"], "\n", $pasted), 'UTF-8'), "\n");
        $rows = [];
        foreach (self::lines($text) as $line) {
            $cells = array_map(
                fn (?string $cell): string => trim((string) preg_replace('/[\p{Z}\n]+/u', ' ', $cell ?? '')),
                str_getcsv($line, $tabs || str_contains($text, "\t") ? "\t" : ';', '"', ''),
            );
            $rows[] = array_slice($cells, 0, self::MOST_COLUMNS);
        }
        while ($rows !== [] && array_filter(end($rows), fn (string $cell): bool => $cell !== '') === []) {
            array_pop($rows);
        }
        $rows = array_slice($rows, 0, self::MOST_ROWS);
        $width = max([0, ...array_map(count(...), $rows)]);

        return array_map(fn (array $row): array => array_pad($row, $width, ''), $rows);
    }

    /** @return list<string> lines, a quoted cell kept whole */
    private static function lines(string $text): array
    {
        $lines = [];
        $open = '';
        foreach (explode("\n", $text) as $line) {
            $open = $open === '' ? $line : "$open\n$line";
            if (substr_count($open, '"') % 2 === 0) {
                $lines[] = $open;
                $open = '';
            }
        }

        return $open === '' ? $lines : [...$lines, $open];
    }
}
