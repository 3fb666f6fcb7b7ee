<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\Encoding;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\Package\ZipWriter;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Document\TypedDocument;
use WideQuarry\Interchange\Typed\Sources\OpenDocument\OpenDocumentPass;
use WideQuarry\Interchange\Typed\Sources\Word\WordPass;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/** Reads a file of any kind that people type exams in as paragraphs with their looks. */
final class DocumentReader
{
    /** @var array<string, Medium> */
    private array $media = [];

    /** @var list<Notice> */
    private array $notices = [];

    private function __construct(private readonly DocumentConverter $converter, private readonly Source $source)
    {
    }

    /** @throws UnreadableFile */
    public static function read(Source $source, DocumentType $type, DocumentConverter $converter): TypedDocument
    {
        $reader = new self($converter, $source);

        return match ($type) {
            DocumentType::Word => $reader->zipped('docx', WordPass::over(...), 'word/'),
            DocumentType::OpenDocument => $reader->zipped('odt', OpenDocumentPass::over(...), ''),
            DocumentType::RichText => $reader->richText(),
            DocumentType::Html => $reader->converted(HtmlPass::over($reader->text()), 'html', ''),
            DocumentType::Markdown => $reader->converted(
                MarkdownPass::over($reader->text()),
                'markdown',
                MarkdownPass::EXTENSIONS,
                wraps: true,
            ),
            DocumentType::Text => new TypedDocument(PlainText::lines($reader->text()), true, [], $reader->notices),
        };
    }

    /**
     * @param  'docx'|'odt'  $from
     * @param  \Closure(SafeZip, string): array{array<string, string>, list<Notice>}  $pass
     */
    private function zipped(string $from, \Closure $pass, string $folder): TypedDocument
    {
        $zip = $this->source->zip();
        [$files, $this->notices] = $pass($zip, $this->source->name);
        $made = (string) tempnam(sys_get_temp_dir(), 'document');
        try {
            $writer = new ZipWriter($made);
            foreach ($files as $name => $bytes) {
                $writer->add($name, $bytes);
            }
            $writer->close();
            [$html] = $this->converter->toHtml((string) file_get_contents($made), $from);
        } finally {
            unlink($made);
        }

        return $this->document($html, function (string $src) use ($zip, $folder): ?string {
            foreach ([$folder.$src, $src] as $name) {
                if ($zip->has($name)) {
                    return $zip->read($name);
                }
            }

            return null;
        });
    }

    private function richText(): TypedDocument
    {
        [$html, $files] = $this->converter->toHtml(RichTextPass::over($this->source->bytes()), 'rtf');

        return $this->document($html, fn (string $src): ?string => $files[$src] ?? null);
    }

    /** @param  'html'|'markdown'  $from */
    private function converted(string $text, string $from, string $options, bool $wraps = false): TypedDocument
    {
        [$html] = $this->converter->toHtml($text, $from, $options);

        return $this->document($html, fn (): null => null, $wraps);
    }

    /** @param  \Closure(string): (string|null)  $bytes  of a picture, by what the document calls it */
    private function document(string $html, \Closure $bytes, bool $wraps = false): TypedDocument
    {
        $items = ConvertedHtml::read(
            $html,
            fn (string $src, string $alt, ?string $width): ?string => $this->picture($src, $alt, $width, $bytes),
            $wraps,
        );

        return new TypedDocument($items, $wraps, array_values($this->media), $this->notices);
    }

    /** @param  \Closure(string): (string|null)  $bytes */
    private function picture(string $src, string $alt, ?string $width, \Closure $bytes): ?string
    {
        $data = preg_match('~^data:[\w.+/-]+;base64,~', $src, $m) === 1
            ? base64_decode(substr($src, strlen($m[0])), true)
            : $bytes(rawurldecode($src));
        $medium = $data === null || $data === false ? null : Medium::fromFile(basename($src), $data);
        if ($medium === null) {
            $sentence = Message::of('interchange.typed.picture-missing', ['name' => mb_strimwidth($alt === '' ? $src : $alt, 0, 100, '…')]);
            $this->notices[] = Notice::loss('document.picture', $sentence, $this->source->name);

            return null;
        }
        $this->media[$medium->id] ??= $medium;
        $size = $width === null ? '' : " width=\"$width\"";

        return '<img data-media="'.$medium->id.'" alt="'.htmlspecialchars($alt, ENT_QUOTES).'"'.$size.'>';
    }

    private function text(): string
    {
        $bytes = $this->source->bytes();
        foreach (["\xFF\xFE" => 'UTF-16LE', "\xFE\xFF" => 'UTF-16BE'] as $mark => $encoding) {
            if (str_starts_with($bytes, $mark)) {
                return (string) mb_convert_encoding(substr($bytes, 2), 'UTF-8', $encoding);
            }
        }
        if (! mb_check_encoding($bytes, 'UTF-8')) {
            $this->notices[] = Notice::note('text.encoding', Message::of('interchange.typed.not-utf-8'), $this->source->name);
            $bytes = Encoding::mended($bytes);
        }

        return (string) preg_replace('/^\x{FEFF}/u', '', $bytes);
    }
}
