<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** The programs that know office files. The core says what it needs of one; the application runs them, confined. */
interface DocumentConverter
{
    /**
     * @param  'docx'|'odt'|'rtf'|'html'|'markdown'  $from
     * @param  string  $options  of the format, such as `+mark`
     * @return array{string, array<string, string>} HTML with MathML (a fragment), and pictures under the names it has for them
     *
     * @throws UnreadableFile
     */
    public function toHtml(string $bytes, string $from, string $options = ''): array;

    /**
     * @param  'docx'|'odt'  $to
     * @param  array<string, string>  $files  pictures the HTML names
     *
     * @throws UnreadableFile
     */
    public function fromHtml(string $html, string $to, array $files): string;

    /**
     * The sheets of a workbook as text, commas between cells (RFC 4180): once as they are shown, and once with numbers in full.
     *
     * @param  'xlsx'|'ods'  $from
     * @return list<array{shown: string, full: string}> in their order
     *
     * @throws UnreadableFile
     */
    public function toSheets(string $bytes, string $from): array;
}
