<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

/** A table as text (RFC 4180), UTF-8 with a mark so that spreadsheets know. No cell is a formula for who opens it. */
final class CsvFile
{
    private const FORMULA = "/^[=+\-@\t\r\u{2212}\u{FF1D}\u{FF0B}\u{FF0D}\u{FF20}]/u";

    /**
     * @param  list<string>  $heading
     * @param  list<list<string>>  $rows
     */
    public static function bytes(array $heading, array $rows): string
    {
        $text = "\u{FEFF}";
        foreach ([$heading, ...$rows] as $row) {
            $text .= implode(',', array_map(self::cell(...), $row))."\r\n";
        }

        return $text;
    }

    /** An apostrophe makes words of what would be calculated; a plain number is none of that. */
    private static function cell(string $cell): string
    {
        if (preg_match(self::FORMULA, $cell) === 1 && preg_match('/^[-+]\d+(?:\.\d+)?$/D', $cell) !== 1) {
            $cell = "'$cell";
        }

        return preg_match('/[",\r\n;\t]|^\s|\s$/', $cell) === 1 ? '"'.str_replace('"', '""', $cell).'"' : $cell;
    }
}
