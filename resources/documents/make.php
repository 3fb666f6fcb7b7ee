<?php

declare(strict_types=1);

// Makes reference.docx and reference.odt, whose styles documents for word processors have, from Pandoc's own:
// php resources/documents/make.php

$word = <<<'XML'
    <w:style w:type="paragraph" w:customStyle="1" w:styleId="AnswerLine"><w:name w:val="Answer Line"/><w:basedOn w:val="BodyText"/><w:pPr>
    <w:pBdr><w:bottom w:val="single" w:sz="4" w:space="1" w:color="777777"/><w:between w:val="single" w:sz="4" w:space="1"
    w:color="777777"/></w:pBdr><w:spacing w:before="120" w:after="0" w:line="360" w:lineRule="exact"/>
    </w:pPr></w:style>
    <w:style w:type="paragraph" w:customStyle="1" w:styleId="NewPage"><w:name w:val="New Page"/><w:basedOn w:val="BodyText"/><w:pPr>
    <w:pageBreakBefore/><w:spacing w:before="0" w:after="0" w:line="20" w:lineRule="exact"/></w:pPr></w:style>
    <w:style w:type="paragraph" w:customStyle="1" w:styleId="SharedText"><w:name w:val="Shared Text"/><w:basedOn w:val="BodyText"/><w:pPr>
    <w:keepNext/><w:pBdr><w:left w:val="single" w:sz="18" w:space="8" w:color="999999"/></w:pBdr><w:ind w:left="240"/></w:pPr></w:style>
    <w:style w:type="paragraph" w:customStyle="1" w:styleId="FormLetter"><w:name w:val="Form Letter"/><w:basedOn w:val="BodyText"/><w:pPr>
    <w:jc w:val="right"/></w:pPr><w:rPr><w:b/><w:sz w:val="28"/></w:rPr></w:style>
    XML;
$open = <<<'XML'
    <style:style style:name="Answer_20_Line" style:display-name="Answer Line" style:family="paragraph"
    style:parent-style-name="Text_20_body">
    <style:paragraph-properties fo:margin-top="0.2cm" fo:margin-bottom="0cm" fo:line-height="0.65cm"
    fo:border-bottom="0.5pt solid #777777" style:join-border="false"/></style:style>
    <style:style style:name="New_20_Page" style:display-name="New Page" style:family="paragraph" style:parent-style-name="Text_20_body">
    <style:paragraph-properties fo:break-before="page" fo:margin-top="0cm" fo:margin-bottom="0cm"/></style:style>
    <style:style style:name="Shared_20_Text" style:display-name="Shared Text" style:family="paragraph"
    style:parent-style-name="Text_20_body">
    <style:paragraph-properties fo:keep-with-next="always" fo:margin-left="0.4cm"
    fo:padding-left="0.3cm" fo:border-left="2pt solid #999999"/></style:style>
    <style:style style:name="Form_20_Letter" style:display-name="Form Letter" style:family="paragraph"
    style:parent-style-name="Text_20_body">
    <style:paragraph-properties fo:text-align="end"/><style:text-properties fo:font-weight="bold" fo:font-size="14pt"/></style:style>
    XML;
$field = fn (string $name): string => '<w:r><w:fldChar w:fldCharType="begin"/></w:r>'.
    '<w:r><w:instrText xml:space="preserve"> '.$name.' </w:instrText></w:r>'.
    '<w:r><w:fldChar w:fldCharType="end"/></w:r>';
$footer = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>'.
    '<w:ftr xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:p><w:pPr><w:jc w:val="right"/></w:pPr>'.
    $field('PAGE').'<w:r><w:t xml:space="preserve"> / </w:t></w:r>'.$field('NUMPAGES').'</w:p></w:ftr>';
$borders = implode('', array_map(
    fn (string $side): string => "<w:$side w:val=\"single\" w:sz=\"4\" w:space=\"0\" w:color=\"666666\"/>",
    ['top', 'left', 'bottom', 'right', 'insideH', 'insideV'],
));

/** @param  array<string, callable(string): string>  $changes  file inside → what it becomes */
$make = function (string $name, array $changes): void {
    $file = __DIR__."/$name";
    exec('pandoc --print-default-data-file '.escapeshellarg($name).' > '.escapeshellarg($file));
    $zip = new ZipArchive;
    $zip->open($file);
    foreach ($changes as $inside => $change) {
        $zip->addFromString($inside, $change((string) $zip->getFromName($inside)));
    }
    $zip->close();
};
$make('reference.docx', [
    'word/styles.xml' => function (string $xml) use ($word, $borders): string {
        $xml = str_replace('</w:styles>', "$word</w:styles>", $xml);
        // tables have lines around their cells
        $xml = (string) preg_replace('~(w:styleId="Table".*?<w:tblPr>)~s', "$1<w:tblBorders>$borders</w:tblBorders>", $xml, 1);

        return (string) preg_replace('~<w:color w:val="[0-9A-F]{6}"[^>]*/>~', '<w:color w:val="000000"/>', $xml);
    },
    'word/document.xml' => fn (string $xml): string => (string) preg_replace(
        '~<w:sectPr\b[^>]*?(/>|>.*?</w:sectPr>)~s',
        '<w:sectPr><w:footerReference w:type="default" r:id="rIdFooter"/><w:pgSz w:w="11906" w:h="16838"/>'.
        '<w:pgMar w:top="907" w:right="907" w:bottom="1020" w:left="907" w:header="500" w:footer="500" w:gutter="0"/></w:sectPr>',
        str_contains($xml, '<w:sectPr') ? $xml : str_replace('</w:body>', '<w:sectPr/></w:body>', $xml),
        1,
    ),
    'word/footer1.xml' => fn (string $xml): string => $footer,
    'word/_rels/document.xml.rels' => fn (string $xml): string => str_replace(
        '</Relationships>',
        '<Relationship Id="rIdFooter" Target="footer1.xml"'.
        ' Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/footer"/></Relationships>',
        $xml,
    ),
    '[Content_Types].xml' => fn (string $xml): string => str_replace(
        '</Types>',
        '<Override PartName="/word/footer1.xml"'.
        ' ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.footer+xml"/></Types>',
        $xml,
    ),
]);
$make('reference.odt', ['styles.xml' => fn (string $xml): string => str_replace('</office:styles>', "$open</office:styles>", $xml)]);
