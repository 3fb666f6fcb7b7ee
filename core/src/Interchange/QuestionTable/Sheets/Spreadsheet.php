<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

use WideQuarry\Documents\DelimitedText;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\UnreadableFile;

/** A table as it was found: text with separators, or a workbook whose sheets a converter gives as such. */
final readonly class Spreadsheet
{
    /** Bytes of text. */
    public const LARGEST = 60_000_000;

    /** @param  list<Sheet>  $sheets  those with something in them */
    private function __construct(public TableType $type, public array $sheets, public string $encoding)
    {
    }

    /** @throws UnreadableFile */
    public static function open(Source $source, TableType $type, DocumentConverter $converter): self
    {
        return match ($type) {
            TableType::Delimited => self::delimited($source),
            TableType::Zipped => self::zipped($source, $converter),
            default => self::workbook($source, $type, $converter),
        };
    }

    /** @throws UnreadableFile */
    private static function delimited(Source $source): self
    {
        if (filesize($source->file) > self::LARGEST) {
            throw UnreadableFile::tooLarge(intdiv(self::LARGEST, 1_000_000));
        }
        $bytes = $source->bytes();
        $encoding = self::encodingOf($bytes);
        $text = DelimitedText::decoded($bytes);
        unset($bytes);
        // what some spreadsheets put first, to say which separator they used
        $said = preg_match('/^sep=(.)\n/u', $text, $m) === 1 ? $m[1] : null;
        $text = $said === null ? $text : "\n".substr($text, strlen($m[0]));
        $name = (string) preg_replace('/\.[A-Za-z0-9]{1,5}$/D', '', basename($source->name));

        return new self(TableType::Delimited, [self::sheet($name, $text, $said ?? Separator::of($text))], $encoding);
    }

    /** @throws UnreadableFile */
    private static function workbook(Source $source, TableType $type, DocumentConverter $converter): self
    {
        $parts = Workbook::of($source->zip(), $type);
        $sheets = [];
        foreach ($converter->toSheets($source->bytes(), $type->extension()) as $i => $csv) {
            if (strlen($csv['shown']) > self::LARGEST || strlen($csv['full']) > self::LARGEST) {
                throw UnreadableFile::tooLarge(intdiv(self::LARGEST, 1_000_000));
            }
            if (trim($csv['shown'], ",\n\r\" ") !== '') {
                $name = $parts->names[$i] ?? 'Sheet '.($i + 1);
                $sheets[] = self::sheet($name, self::lines($csv['shown']), ',', $parts->merged[$i] ?? [], self::lines($csv['full']));
            }
        }

        return new self($type, $sheets, 'UTF-8');
    }

    /** @throws UnreadableFile */
    private static function zipped(Source $source, DocumentConverter $converter): self
    {
        $name = TableType::tableIn($source->zip()) ?? throw UnreadableFile::unknownFormat($source->name);
        $file = (string) tempnam(sys_get_temp_dir(), 'table');
        try {
            file_put_contents($file, $source->zip()->read($name));
            $inner = new Source($file, basename($name));
            $type = TableType::of($inner);
            if ($type === null || $type === TableType::Zipped) {
                throw UnreadableFile::unknownFormat($inner->name);
            }

            return self::open($inner, $type, $converter);
        } finally {
            unlink($file);
        }
    }

    private static function lines(string $csv): string
    {
        return str_replace(["\r\n", "\r"], "\n", mb_scrub($csv, 'UTF-8'));
    }

    /** @param  list<array{int, int, int, int}>  $merged */
    private static function sheet(string $name, string $text, string $separator, array $merged = [], ?string $full = null): Sheet
    {
        return new Sheet(mb_substr($name, 0, 200), self::stream($text), $separator, $merged, $full === null ? null : self::stream($full));
    }

    /** @return resource */
    private static function stream(string $text): mixed
    {
        $stream = fopen('php://temp/maxmemory:8000000', 'r+');
        assert($stream !== false);
        fwrite($stream, $text);

        return $stream;
    }

    private static function encodingOf(string $bytes): string
    {
        return match (true) {
            str_starts_with($bytes, "\xFF\xFE"), str_starts_with($bytes, "\xFE\xFF") => 'UTF-16',
            mb_check_encoding($bytes, 'UTF-8') => 'UTF-8',
            default => 'Windows-1252',
        };
    }
}
