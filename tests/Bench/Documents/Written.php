<?php

declare(strict_types=1);

namespace Tests\Bench\Documents;

use WideQuarry\Interchange\Package\ZipWriter;

/** Writes a typed exam as a file of its format, by nothing that the product reads or writes documents with. */
final class Written
{
    public static function to(string $file, TypedExam $exam, string $format): void
    {
        match ($format) {
            'txt' => file_put_contents($file, self::text($exam)),
            'md' => file_put_contents($file, self::markdown($exam)),
            'html' => file_put_contents($file, self::html($exam)),
            'rtf' => file_put_contents($file, self::rtf($exam)),
            'odt' => self::odt($file, $exam),
            default => self::docx($file, $exam),
        };
    }

    /** @param  list<array{string, list<string>}>  $runs */
    private static function plain(array $runs): string
    {
        return rtrim(implode('', array_column($runs, 0)));
    }

    private static function text(TypedExam $exam): string
    {
        $lines = [];
        foreach ($exam->paragraphs as $paragraph) {
            if ($paragraph['apart']) {
                $lines[] = '';
            }
            foreach ($paragraph['table'] ?? [] as $row) {
                $lines[] = implode('      ', array_map(self::plain(...), $row));
            }
            if (! isset($paragraph['table'])) {
                $lines[] = self::plain($paragraph['runs']);
            }
        }

        return implode("\n", $lines)."\n";
    }

    private static function markdown(TypedExam $exam): string
    {
        $marked = function (array $runs): string {
            $text = '';
            foreach ($runs as [$words, $marks]) {
                [$words, $space] = [rtrim($words), str_repeat(' ', strlen($words) - strlen(rtrim($words)))];
                $text .= match ($marks[0] ?? '') {
                    'bold' => "**$words**",
                    'italic' => "*$words*",
                    'strike' => "~~$words~~",
                    'highlight' => "==$words==",
                    default => $words,
                }.$space;
            }

            return rtrim($text);
        };
        $lines = [];
        foreach ($exam->paragraphs as $paragraph) {
            if ($paragraph['apart']) {
                $lines[] = '';
            }
            if (isset($paragraph['table'])) {
                $lines[] = '';
                foreach ($paragraph['table'] as $i => $row) {
                    $lines[] = '| '.implode(' | ', array_map($marked, $row)).' |';
                    if ($i === 0) {
                        $lines[] = '|'.str_repeat(' --- |', count($row));
                    }
                }
                $lines[] = '';
            } else {
                $lines[] = str_repeat('#', $paragraph['heading']).($paragraph['heading'] > 0 ? ' ' : '').$marked($paragraph['runs']);
            }
        }

        return implode("\n", $lines)."\n";
    }

    private static function html(TypedExam $exam): string
    {
        $open = [
            'bold' => '<b>',
            'italic' => '<i>',
            'underline' => '<u>',
            'strike' => '<s>',
            'highlight' => '<span style="background-color:#ffff00">',
            'colour' => '<font color="#c00000">',
        ];
        $close = [
            'bold' => '</b>',
            'italic' => '</i>',
            'underline' => '</u>',
            'strike' => '</s>',
            'highlight' => '</span>',
            'colour' => '</font>',
        ];
        $inline = fn (array $runs): string => implode('', array_map(
            fn (array $run): string => ($open[$run[1][0] ?? '']
                ?? '').str_replace('  ', '&nbsp; ', htmlspecialchars($run[0])).($close[$run[1][0] ?? '']
                ?? ''),
            $runs,
        ));
        $html = '<!DOCTYPE html><html><head><meta charset="utf-8"><title>Exam</title></head><body>';
        foreach ($exam->paragraphs as $paragraph) {
            if (isset($paragraph['table'])) {
                $rows = array_map(
                    fn (array $row): string => '<tr><td>'.implode('</td><td>', array_map($inline, $row)).'</td></tr>',
                    $paragraph['table'],
                );
                $html .= '<table>'.implode('', $rows).'</table>';
            } else {
                $name = $paragraph['heading'] > 0 ? 'h'.$paragraph['heading'] : 'p';
                $html .= "<$name>".$inline($paragraph['runs'])."</$name>\n";
            }
        }

        return $html.'</body></html>';
    }

    private static function rtf(TypedExam $exam): string
    {
        $inline = fn (array $runs): string => implode('', array_map(fn (array $run): string => '{'.([
            'bold' => '\\b ', 'italic' => '\\i ', 'underline' => '\\ul ', 'strike' => '\\strike ', 'colour' => '\\cf1 ',
            'highlight' => '\\highlight2 ',
        ][$run[1][0] ?? ''] ?? '').preg_replace_callback(
            '/[^\x00-\x7F]/u',
            fn (array $m): string => '\\u'.(mb_ord($m[0]) > 32767 ? mb_ord($m[0]) - 65536 : mb_ord($m[0])).'?',
            $run[0],
        ).'}', $runs));
        $rtf = '{\\rtf1\\ansi{\\fonttbl{\\f0 Serif;}}{\\colortbl;\\red192\\green0\\blue0;\\red255\\green255\\blue0;}';
        foreach ($exam->paragraphs as $paragraph) {
            $rtf .= '\\pard '.$inline($paragraph['runs'] ?? [['table', []]]).'\\par'."\n";
        }

        return $rtf.'}';
    }

    private static function odt(string $file, TypedExam $exam): void
    {
        $inline = fn (array $runs): string => implode('', array_map(function (array $run): string {
            $text = str_replace('     ', '<text:s text:c="5"/>', htmlspecialchars($run[0], ENT_XML1));

            return isset($run[1][0]) ? "<text:span text:style-name=\"{$run[1][0]}\">$text</text:span>" : $text;
        }, $runs));
        $looks = [
            'bold' => 'fo:font-weight="bold"', 'italic' => 'fo:font-style="italic"', 'underline' => 'style:text-underline-style="solid"',
            'strike' => 'style:text-line-through-style="solid"', 'highlight' => 'fo:background-color="#ffff00"',
            'colour' => 'fo:color="#c00000"',
        ];
        $styles = implode('', array_map(
            fn (string $name, string $look): string => "<style:style style:name=\"$name\" ".
                "style:family=\"text\"><style:text-properties $look/></style:style>",
            array_keys($looks),
            $looks,
        ));
        $levels = '<text:list-style style:name="L"><text:list-level-style-number text:level="1" style:num-suffix="." '.
            'style:num-format="1"/>'.
            '<text:list-level-style-number text:level="2" style:num-suffix=")" style:num-format="a"/></text:list-style>';
        $body = '';
        foreach ($exam->paragraphs as $paragraph) {
            if (isset($paragraph['table'])) {
                $rows = array_map(fn (array $row): string => '<table:table-row>'.implode('', array_map(
                    fn (array $cell): string => '<table:table-cell><text:p>'.$inline($cell).'</text:p></table:table-cell>',
                    $row,
                )).'</table:table-row>', $paragraph['table']);
                $body .= '<table:table><table:table-column table:number-columns-repeated="2"/>'.implode('', $rows).'</table:table>';

                continue;
            }
            $p = $paragraph['heading'] > 0
                ? "<text:h text:outline-level=\"{$paragraph['heading']}\">{$inline($paragraph['runs'])}</text:h>"
                : '<text:p>'.$inline($paragraph['runs']).'</text:p>';
            $body .= match ($paragraph['auto'][1] ?? -1) {
                0 => "<text:list text:style-name=\"L\" text:continue-numbering=\"true\"><text:list-item>$p</text:list-item></text:list>",
                1 => '<text:list text:style-name="L" text:continue-numbering="true"><text:list-item><text:list '.
                    'text:style-name="L" text:continue-numbering="true">'.
                    "<text:list-item>$p</text:list-item></text:list></text:list-item></text:list>",
                default => $p,
            };
        }
        $names = 'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" '.
            'xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" '.
            'xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" '.
            'xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" '.
            'xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0"';
        $zip = new ZipWriter($file);
        $zip->add('mimetype', 'application/vnd.oasis.opendocument.text', false);
        $zip->add('META-INF/manifest.xml', '<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0"/>');
        $zip->add(
            'content.xml',
            '<office:document-content '.
            "$names><office:automatic-styles>$styles$levels</office:automatic-styles><office:body><office:text>$body</".
            'office:text></office:body></office:document-content>',
        );
        $zip->add('styles.xml', "<office:document-styles $names><office:styles/></office:document-styles>");
        $zip->close();
    }

    private static function docx(string $file, TypedExam $exam): void
    {
        $looks = [
            'bold' => '<w:b/>', 'italic' => '<w:i/>', 'underline' => '<w:u w:val="single"/>', 'strike' => '<w:strike/>',
            'highlight' => '<w:highlight w:val="yellow"/>', 'colour' => '<w:color w:val="C00000"/>',
        ];
        $inline = fn (array $runs): string => implode('', array_map(
            fn (array $run): string => '<w:r>'.(isset($run[1][0]) ? '<w:rPr>'.$looks[$run[1][0]].'</w:rPr>' : '').
                '<w:t xml:space="preserve">'.htmlspecialchars($run[0], ENT_XML1).'</w:t></w:r>',
            $runs,
        ));
        $lists = [1];
        $body = '';
        foreach ($exam->paragraphs as $paragraph) {
            if ($paragraph['apart']) {
                $body .= '<w:p/>';
            }
            if (isset($paragraph['table'])) {
                $rows = array_map(fn (array $row): string => '<w:tr>'.implode('', array_map(
                    fn (array $cell): string => '<w:tc><w:p>'.$inline($cell).'</w:p></w:tc>',
                    $row,
                )).'</w:tr>', $paragraph['table']);
                $body .= '<w:tbl><w:tblPr/><w:tblGrid><w:gridCol/><w:gridCol/></w:tblGrid>'.implode('', $rows).'</w:tbl>';

                continue;
            }
            $properties = $paragraph['heading'] > 0 ? "<w:pStyle w:val=\"Heading{$paragraph['heading']}\"/>" : '';
            if ($paragraph['auto'] !== null) {
                [$list, $level] = $paragraph['auto'];
                $lists[] = $list;
                $properties .= "<w:numPr><w:ilvl w:val=\"$level\"/><w:numId w:val=\"1\"/></w:numPr>";
            }
            $body .= '<w:p>'.($properties === '' ? '' : "<w:pPr>$properties</w:pPr>").$inline($paragraph['runs']).'</w:p>';
        }
        $w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
        $head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
        $type = 'application/vnd.openxmlformats-officedocument.wordprocessingml';
        $office = 'http://schemas.openxmlformats.org/officeDocument/2006/relationships';
        $zip = new ZipWriter($file);
        $zip->add(
            '[Content_Types].xml',
            "$head<Types xmlns=\"http://schemas.openxmlformats.org/package/2006/content-types\"><Default Extension=\"rels\" ".
            'ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" '.
            'ContentType="application/xml"/><Override PartName="/word/document.xml" '.
            "ContentType=\"$type.document.main+xml\"/><Override PartName=\"/word/styles.xml\" ".
            "ContentType=\"$type.styles+xml\"/><Override PartName=\"/word/numbering.xml\" ContentType=\"$type.numbering+xml\"/></Types>",
        );
        $zip->add(
            '_rels/.rels',
            "$head<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\" ".
            "Type=\"$office/officeDocument\" Target=\"word/document.xml\"/></Relationships>",
        );
        $zip->add(
            'word/_rels/document.xml.rels',
            "$head<Relationships xmlns=\"http://schemas.openxmlformats.org/package/2006/relationships\"><Relationship Id=\"rId1\" ".
            "Type=\"$office/styles\" Target=\"styles.xml\"/><Relationship Id=\"rId2\" Type=\"$office/numbering\" ".
            'Target="numbering.xml"/></Relationships>',
        );
        $zip->add('word/document.xml', "$head<w:document $w><w:body>$body<w:sectPr/></w:body></w:document>");
        $zip->add(
            'word/styles.xml',
            "$head<w:styles $w><w:style w:type=\"paragraph\" w:default=\"1\" w:styleId=\"Normal\"><w:name ".
            'w:val="Normal"/></w:style><w:style w:type="paragraph" w:styleId="Heading2"><w:name w:val="heading '.
            '2"/><w:pPr><w:outlineLvl w:val="1"/></w:pPr></w:style></w:styles>',
        );
        $level = fn (int $at, string $format, string $text): string => "<w:lvl w:ilvl=\"$at\"><w:start w:val=\"1\"/><w:numFmt ".
            "w:val=\"$format\"/><w:lvlText w:val=\"$text\"/></w:lvl>";
        $zip->add(
            'word/numbering.xml',
            "$head<w:numbering $w><w:abstractNum ".
            "w:abstractNumId=\"0\">{$level(0, 'decimal', '%1.')}{$level(1, 'upperLetter', '%2.')}</w:abstractNum><w:num ".
            'w:numId="1"><w:abstractNumId w:val="0"/></w:num></w:numbering>',
        );
        $zip->close();
    }
}
