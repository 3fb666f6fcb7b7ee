<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\QuestionTable\Written;

use WideQuarry\Interchange\Package\ZipWriter;

/** A workbook of one sheet (ISO/IEC 29500-1, part 18). Every cell is text that stands in its place, so none is a formula. */
final class XlsxFile
{
    /** Characters of a cell (ISO/IEC 29500-1, 18.3.1.4, as programs limit it). */
    public const LONGEST = 32_767;

    private const MAIN = 'http://schemas.openxmlformats.org/spreadsheetml/2006/main';

    private const OFFICE = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';

    private const PACKAGE = 'http://schemas.openxmlformats.org/package/2006';

    private const XML = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'."\n";

    private const SHEET = 'application/vnd.openxmlformats-officedocument.spreadsheetml';

    /** Widths of columns in characters, by what stands over them; the rest is as wide as usual. */
    private const WIDE = '/^(?:Question|Passage|Model answer|Feedback\b.*|Option \w+|Hint.*|Notes)$/';

    /**
     * @param  list<string>  $heading
     * @param  list<list<string>>  $rows
     */
    public static function write(string $file, array $heading, array $rows): void
    {
        $zip = new ZipWriter($file);
        $type = fn (string $part, string $is): string => '<Override PartName="/'.$part.'" ContentType="'.self::SHEET.".$is+xml\"/>";
        $zip->add('[Content_Types].xml', self::XML.'<Types xmlns="'.self::PACKAGE.'/content-types"><Default Extension="rels" '.
            'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" '.
            'ContentType="application/xml"/>'.
            $type('xl/workbook.xml', 'sheet.main').$type('xl/worksheets/sheet1.xml', 'worksheet').
            $type('xl/styles.xml', 'styles').'</Types>');
        $zip->add('_rels/.rels', self::relations(['officeDocument' => 'xl/workbook.xml']));
        $zip->add('xl/workbook.xml', self::XML.'<workbook xmlns="'.self::MAIN.'" xmlns:r="'.self::OFFICE.'"><sheets>'.
            '<sheet name="Questions" sheetId="1" r:id="rId1"/></sheets></workbook>');
        $zip->add('xl/_rels/workbook.xml.rels', self::relations(['worksheet' => 'worksheets/sheet1.xml', 'styles' => 'styles.xml']));
        // text as its own format, so that nothing typed later becomes a date
        $zip->add('xl/styles.xml', self::XML.'<styleSheet xmlns="'.self::MAIN.'"><fonts count="2"><font><sz val="11"/></font><font><b/>'.
            '<sz val="11"/></font></fonts><fills count="2"><fill><patternFill patternType="none"/></fill><fill><patternFill '.
            'patternType="gray125"/></fill></fills><borders count="1"><border/></borders><cellStyleXfs count="1"><xf/></cellStyleXfs>'.
            '<cellXfs count="2"><xf numFmtId="49" applyNumberFormat="1" applyAlignment="1"><alignment vertical="top" wrapText="1"/></xf>'.
            '<xf numFmtId="49" fontId="1" applyFont="1" applyNumberFormat="1"/></cellXfs></styleSheet>');
        $zip->add('xl/worksheets/sheet1.xml', self::sheet($heading, $rows));
        $zip->close();
    }

    /** @param  array<string, string>  $targets  kind → part */
    private static function relations(array $targets): string
    {
        $xml = '';
        foreach (array_keys($targets) as $i => $kind) {
            $xml .= '<Relationship Id="rId'.($i + 1).'" Type="'.self::OFFICE."/$kind\" Target=\"$targets[$kind]\"/>";
        }

        return self::XML.'<Relationships xmlns="'.self::PACKAGE."/relationships\">$xml</Relationships>";
    }

    /**
     * @param  list<string>  $heading
     * @param  list<list<string>>  $rows
     */
    private static function sheet(array $heading, array $rows): string
    {
        $columns = $body = '';
        foreach ($heading as $i => $words) {
            $width = preg_match(self::WIDE, $words) === 1 ? 40 : 16;
            $columns .= '<col min="'.($i + 1).'" max="'.($i + 1)."\" width=\"$width\" style=\"0\" customWidth=\"1\"/>";
        }
        foreach ([$heading, ...$rows] as $at => $row) {
            $body .= '<row r="'.($at + 1).'">';
            foreach ($row as $column => $text) {
                $body .= $text === '' ? '' : self::cell($column, $at, $text);
            }
            $body .= '</row>';
        }

        return self::XML.'<worksheet xmlns="'.self::MAIN.'"><sheetViews><sheetView workbookViewId="0"><pane ySplit="1" topLeftCell="A2" '.
            'activePane="bottomLeft" state="frozen"/></sheetView></sheetViews>'.
            ($columns === '' ? '' : "<cols>$columns</cols>")."<sheetData>$body</sheetData></worksheet>";
    }

    private static function cell(int $column, int $row, string $text): string
    {
        $address = \WideQuarry\Interchange\QuestionTable\Sheets\CellAddress::of($column, $row + 1);
        // XML 1.0 has no control characters but these
        $clean = (string) preg_replace('/[^\x{9}\x{A}\x{D}\x{20}-\x{D7FF}\x{E000}-\x{FFFD}\x{10000}-\x{10FFFF}]/u', '', mb_scrub($text));
        $clean = htmlspecialchars(mb_substr($clean, 0, self::LONGEST), ENT_XML1 | ENT_NOQUOTES);

        return "<c r=\"$address\" s=\"".($row === 0 ? 1 : 0)."\" t=\"inlineStr\"><is><t xml:space=\"preserve\">$clean</t></is></c>";
    }
}
