<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

/** Where a cell stands, as spreadsheets say it: letters for the column, a number for the row ("C7"; ISO/IEC 29500-1, 18.17.2.3). */
final class CellAddress
{
    /** @param  int  $column  from 0 */
    public static function of(int $column, int $row): string
    {
        return self::letters($column).$row;
    }

    /** @param  int  $column  from 0 */
    public static function letters(int $column): string
    {
        $letters = '';
        for ($left = $column; $left >= 0; $left = intdiv($left, 26) - 1) {
            $letters = chr(65 + $left % 26).$letters;
        }

        return $letters;
    }

    /** @return int|null from 0; null when these are no letters of a column */
    public static function column(string $letters): ?int
    {
        if (preg_match('/^[A-Z]{1,3}$/D', $letters) !== 1) {
            return null;
        }
        $column = 0;
        foreach (str_split($letters) as $letter) {
            $column = $column * 26 + ord($letter) - 64;
        }

        return $column - 1;
    }

    /** @return array{int, int}|null column from 0 and row from 1 */
    public static function read(string $address): ?array
    {
        $column = preg_match('/^([A-Z]{1,3})([1-9]\d{0,6})$/D', $address, $m) === 1 ? self::column($m[1]) : null;

        return $column === null ? null : [$column, (int) $m[2]];
    }
}
