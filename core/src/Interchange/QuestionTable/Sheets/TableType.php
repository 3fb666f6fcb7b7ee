<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Sheets;

use WideQuarry\Documents\DelimitedText;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\QuestionTable\Mapping\Heading;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\StatementTable\Columns;

/** Files that hold tables, told by what is in them. */
enum TableType: string
{
    case Delimited = 'csv';
    case Workbook = 'xlsx';
    case OpenDocument = 'ods';
    /** A table and its pictures. */
    case Zipped = 'zip';

    private const OPEN_DOCUMENT = 'application/vnd.oasis.opendocument.spreadsheet';

    /** Rows looked at for a heading. */
    private const ROWS = 30;

    public static function of(Source $source): ?self
    {
        if ($source->isZip()) {
            $zip = $source->zip();

            return match (true) {
                isset($zip->entries['xl/workbook.xml']) => self::Workbook,
                isset($zip->entries['mimetype']) && str_starts_with($zip->read('mimetype'), self::OPEN_DOCUMENT) => self::OpenDocument,
                self::tableIn($zip) !== null => self::Zipped,
                default => null,
            };
        }

        return self::isDelimited($source) ? self::Delimited : null;
    }

    /** @return 'xlsx'|'ods' */
    public function extension(): string
    {
        return $this === self::OpenDocument ? 'ods' : 'xlsx';
    }

    /** The one table of a package that is otherwise pictures. */
    public static function tableIn(SafeZip $zip): ?string
    {
        $tables = $others = [];
        foreach (array_keys($zip->entries) as $name) {
            $name = (string) $name;
            if (str_ends_with($name, '/') || preg_match('~(?:^|/)(?:\.|__MACOSX/|Thumbs\.db$)~i', $name) === 1) {
                continue;
            }
            if (preg_match('/\.(?:csv|tsv|xlsx|ods)$/iD', $name) === 1) {
                $tables[] = $name;
            } elseif (preg_match('/\.(?:png|jpe?g|gif|svg|webp|bmp|tiff?|txt|md)$/iD', $name) !== 1) {
                $others[] = $name;
            }
        }

        return count($tables) === 1 && $others === [] ? $tables[0] : null;
    }

    /** Text that is a table of questions: its heading says so, or its rows are alike and its name says that it is one. */
    private static function isDelimited(Source $source): bool
    {
        $head = $source->head();
        $isWide = str_starts_with($head, "\xFF\xFE") || str_starts_with($head, "\xFE\xFF");
        if ($head === '' || (! $isWide && preg_match('/[\x00-\x08\x0E-\x1A\x1C-\x1F]/', $head) === 1)) {
            return false;
        }
        $text = DelimitedText::decoded($head);
        if (preg_match('/^\s*(?:[<{]|%PDF|<!--)/', $text) === 1) {
            return false;
        }
        $found = preg_match('/^sep=(.)\n/u', $text, $m) === 1 ? [$m[1], 2, 1.0] : Separator::found($text);
        $isNamed = preg_match('/\.(?:csv|tsv|tab)$/iD', $source->name) === 1;
        if ($found === null) {
            return $isNamed;
        }
        $rows = array_slice(explode("\n", $text), 0, self::ROWS);
        foreach ($rows as $row) {
            if (Heading::isOfQuestions(array_map(fn (?string $cell): string => (string) $cell, str_getcsv($row, $found[0], '"', '')))) {
                return true;
            }
        }
        if (Columns::of(array_map(strval(...), str_getcsv($rows[0], $found[0], '"', '')))->areStatements()) {
            return false; // a framework of standards
        }
        // a line of commas may be a sentence; a line of tabs or bars is none
        $isRegular = $found[1] >= 3 && $found[2] >= 0.9 && in_array($found[0], ["\t", ';'], true) && substr_count($text, "\n") > 2;

        return $isNamed || ($isRegular && preg_match('/^\s*(?:\(?\d{1,3}[.)]|Q\d|[A-D][.)])\s/m', $text) !== 1);
    }
}
