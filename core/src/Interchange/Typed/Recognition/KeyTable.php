<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

use WideQuarry\Interchange\Typed\Document\Cell;
use WideQuarry\Interchange\Typed\Document\Table;

/** A key set as a table: numbers beside answers, in columns or in rows. */
final class KeyTable
{
    private const NUMBER = '/^\(?(\d{1,4})\s*[.):]?$/u';

    /**
     * @param  bool  $isExpected  under the heading of a key
     * @return list<array{int, string, int}>|null number, answer, line; null when it is none
     */
    public static function read(Table $table, bool $isExpected): ?array
    {
        $rows = array_map(
            fn (array $row): array => array_map(fn (Cell $cell): array => [$cell->text(), $cell->lines[0]->number ?? 0], $row),
            $table->rows,
        );
        $words = array_map(fn (array $cell): string => $cell[0], $rows[0] ?? []);
        $isHeaded = count($rows) > 1 &&
            preg_grep('/^(?:#|'.Vocabulary::QUESTION.')\.?$/iu', $words) !== [] &&
            preg_grep('/^(?:'.Vocabulary::ANSWER.')$/iu', $words) !== [];
        $isNumbered = preg_match(self::NUMBER, $words[0] ?? '') === 1;
        $answers = self::columns($isHeaded || ($isExpected && ! $isNumbered) ? array_slice($rows, 1) : $rows) ?? self::rows($rows);
        if ($answers === null) {
            return null;
        }
        $isShort = array_filter(
            $answers,
            fn (array $one): bool => preg_match('/^[A-Za-z](?:\s*[,&]\s*[A-Za-z])*$|^(?:true|false)$/i', $one[1]) !== 1,
        ) === [];

        return $isExpected || $isHeaded || ($isShort && count($answers) > 2) ? $answers : null;
    }

    /**
     * Pairs of columns: 1 | B | 11 | C.
     *
     * @param  list<list<array{string, int}>>  $rows
     * @return list<array{int, string, int}>|null
     */
    private static function columns(array $rows): ?array
    {
        $found = [];
        foreach ($rows as $row) {
            for ($i = 0; $i + 1 < count($row); $i += 2) {
                if ($row[$i][0] === '' && $row[$i + 1][0] === '') {
                    continue;
                }
                if (preg_match(self::NUMBER, $row[$i][0], $m) !== 1) {
                    return null;
                }
                if ($row[$i + 1][0] !== '') {
                    $found[] = [(int) $m[1], $row[$i + 1][0], $row[$i + 1][1]];
                }
            }
        }

        return count($found) > 1 ? $found : null;
    }

    /**
     * Numbers above answers, in one pair of rows or several.
     *
     * @param  list<list<array{string, int}>>  $rows
     * @return list<array{int, string, int}>|null
     */
    private static function rows(array $rows): ?array
    {
        $found = [];
        for ($i = 0; $i + 1 < count($rows); $i += 2) {
            foreach ($rows[$i] as $column => [$number]) {
                $answer = $rows[$i + 1][$column] ?? ['', 0];
                if (preg_match(self::NUMBER, $number, $m) === 1) {
                    if ($answer[0] !== '' && preg_match(self::NUMBER, $answer[0]) !== 1) {
                        $found[] = [(int) $m[1], $answer[0], $answer[1]];
                    }
                } elseif ($column > 0 && $number !== '') {
                    return null;
                }
            }
        }

        return count($found) > 2 ? $found : null;
    }
}
