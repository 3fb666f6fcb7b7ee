<?php

declare(strict_types=1);

namespace WideQuarry\Documents;

/**
 * A table as text (RFC 4180), whatever its encoding and separator: UTF-8, UTF-16 with a mark, Windows-1252; comma, semicolon, tab or bar.
 */
final readonly class DelimitedText
{
    private const SEPARATORS = [',', ';', "\t", '|'];

    /** @param  list<array{line: int, cells: list<string>}>  $rows  those with something in them, each with the line it begins at */
    private function __construct(public array $rows, public string $separator)
    {
    }

    public static function read(string $bytes): self
    {
        $text = self::decoded($bytes);
        $separator = self::separator($text);
        $stream = fopen('php://memory', 'r+');
        assert($stream !== false);
        fwrite($stream, $text);
        rewind($stream);
        $rows = [];
        $line = 1;
        while (($cells = fgetcsv($stream, null, $separator, '"', '')) !== false) {
            $begins = $line;
            foreach ($cells as $cell) {
                $line += substr_count((string) $cell, "\n");
            }
            $line++;
            $cells = array_map(fn (?string $cell): string => (string) $cell, $cells);
            if (array_filter($cells, fn (string $cell): bool => trim($cell) !== '') !== []) {
                $rows[] = ['line' => $begins, 'cells' => $cells];
            }
        }
        fclose($stream);

        return new self($rows, $separator);
    }

    /** @param  list<array{line: int, cells: list<string>}>  $rows */
    public static function ofRows(array $rows): self
    {
        return new self($rows, ',');
    }

    /** Of the beginning of a text, for telling what a file is. */
    public static function decoded(string $bytes): string
    {
        $text = match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => substr($bytes, 3),
            str_starts_with($bytes, "\xFF\xFE") => (string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16LE'),
            str_starts_with($bytes, "\xFE\xFF") => (string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', 'UTF-16BE'),
            mb_check_encoding($bytes, 'UTF-8') => $bytes,
            // the head of a file may end in the middle of a character
            mb_check_encoding(mb_strcut($bytes, 0, max(0, strlen($bytes) - 4), 'UTF-8'), 'UTF-8') => mb_scrub($bytes, 'UTF-8'),
            default => (string) mb_convert_encoding($bytes, 'UTF-8', 'Windows-1252'),
        };

        return str_replace(["\r\n", "\r", "\0"], ["\n", "\n", ''], $text);
    }

    /** The one that stands most often in the heading, outside of quotes. */
    private static function separator(string $text): string
    {
        $heading = (string) preg_replace('/"[^"]*"/', '', explode("\n", ltrim($text, "\n"), 2)[0]);
        $counts = array_map(fn (string $one): int => substr_count($heading, $one), self::SEPARATORS);

        return max($counts) === 0 ? ',' : self::SEPARATORS[array_search(max($counts), $counts, true)];
    }
}
