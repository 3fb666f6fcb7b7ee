<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\UnreadableFile;

/** What the text of a workbook's sheets does not say: what they are called, and which cells are merged. */
final readonly class Workbook
{
    private const RELATIONS = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const TABLE = 'urn:oasis:names:tc:opendocument:xmlns:table:1.0';

    private const MOST_SHEETS = 200;

    private const MOST_MERGED = 5000;

    private const MOST_CELLS = 60_000_000;

    /**
     * @param  list<string>  $names
     * @param  list<list<array{int, int, int, int}>>  $merged  of each sheet
     */
    private function __construct(public array $names, public array $merged)
    {
    }

    /** @throws UnreadableFile */
    public static function of(SafeZip $zip, TableType $type): self
    {
        return $type === TableType::OpenDocument ? self::openDocument($zip) : self::workbook($zip);
    }

    /** ISO/IEC 29500-1, 18.2.19 (sheet) and 18.3.1.54 (mergeCell). */
    private static function workbook(SafeZip $zip): self
    {
        $targets = [];
        if (isset($zip->entries['xl/_rels/workbook.xml.rels'])) {
            $relations = SafeXml::parse($zip->read('xl/_rels/workbook.xml.rels'), 'xl/_rels/workbook.xml.rels');
            foreach ($relations->getElementsByTagNameNS('*', 'Relationship') as $relation) {
                $target = $relation->getAttribute('Target');
                $targets[$relation->getAttribute('Id')] = str_starts_with($target, '/') ? substr($target, 1) : "xl/$target";
            }
        }
        $names = $merged = [];
        $workbook = SafeXml::parse($zip->read('xl/workbook.xml'), 'xl/workbook.xml');
        foreach ($workbook->getElementsByTagNameNS('*', 'sheet') as $sheet) {
            if (count($names) >= self::MOST_SHEETS) {
                break;
            }
            $names[] = $sheet->getAttribute('name');
            $file = $targets[$sheet->getAttributeNS(self::RELATIONS, 'id')] ?? '';
            $xml = isset($zip->entries[$file]) ? $zip->read($file) : '';
            self::checkExtent($xml, $sheet->getAttribute('name'));
            $merged[] = self::mergedIn($xml);
        }

        return new self($names, $merged);
    }

    /**
     * Something far out, below and to the right, makes a sheet of billions of empty cells.
     *
     * @throws UnreadableFile
     */
    private static function checkExtent(string $xml, string $name): void
    {
        $last = strrpos($xml, '<row ');
        $rows = $last !== false && preg_match('/\br="(\d{1,7})"/', substr($xml, $last, 200), $m) === 1 ? (int) $m[1] : 0;
        $columns = match (true) {
            preg_match('/\br="[A-Z]{3}\d+"/', $xml) === 1 => 16_384,
            preg_match('/\br="[A-Z]{2}\d+"/', $xml) === 1 => 702,
            default => 26,
        };
        if ($rows * $columns > self::MOST_CELLS) {
            throw UnreadableFile::tooWide($name, $rows, $columns);
        }
    }

    /** @return list<array{int, int, int, int}> */
    private static function mergedIn(string $xml): array
    {
        if (preg_match('/<!DOCTYPE/i', substr($xml, 0, 2000)) === 1) {
            throw UnreadableFile::doctype('xl/worksheets');
        }
        preg_match_all('/<(?:\w+:)?mergeCell\s[^>]*ref="([A-Z]{1,3}\d{1,7}):([A-Z]{1,3}\d{1,7})"/', $xml, $found, PREG_SET_ORDER);
        $merged = [];
        foreach (array_slice($found, 0, self::MOST_MERGED) as [, $from, $to]) {
            [$from, $to] = [CellAddress::read($from), CellAddress::read($to)];
            if ($from !== null && $to !== null) {
                $merged[] = [...$from, ...$to];
            }
        }

        return $merged;
    }

    /** OpenDocument 1.3, part 3: 9.1.2 (table), 9.1.3 (row), 9.1.4 (cell). */
    private static function openDocument(SafeZip $zip): self
    {
        $xml = $zip->read('content.xml');
        if (preg_match('/<!DOCTYPE/i', substr($xml, 0, 2000)) === 1) {
            throw UnreadableFile::doctype('content.xml');
        }
        $reader = \XMLReader::XML($xml, null, LIBXML_NONET | LIBXML_NOERROR | LIBXML_NOWARNING);
        $names = $merged = [];
        $row = $column = 0;
        $repeat = 1;
        while ($reader instanceof \XMLReader && @$reader->read()) {
            if ($reader->nodeType !== \XMLReader::ELEMENT || $reader->namespaceURI !== self::TABLE) {
                continue;
            }
            $times = fn (string $what): int => max(1, (int) $reader->getAttributeNs($what, self::TABLE));
            if ($reader->localName === 'table') {
                $names[] = (string) $reader->getAttributeNs('name', self::TABLE);
                $merged[] = [];
                [$row, $repeat] = [0, 1];
            } elseif ($reader->localName === 'table-row') {
                [$row, $column, $repeat] = [$row + $repeat, 0, $times('number-rows-repeated')];
            } elseif (in_array($reader->localName, ['table-cell', 'covered-table-cell'], true) && $names !== []) {
                [$rows, $columns] = [$times('number-rows-spanned'), $times('number-columns-spanned')];
                $sheet = count($names) - 1;
                if (($rows > 1 || $columns > 1) && count($merged[$sheet]) < self::MOST_MERGED) {
                    $merged[$sheet][] = [$column, $row, $column + $columns - 1, $row + $rows - 1];
                }
                $column += $times('number-columns-repeated');
            }
        }

        return new self($names, $merged);
    }
}
