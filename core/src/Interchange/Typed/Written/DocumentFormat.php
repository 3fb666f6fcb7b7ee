<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Sources\DocumentType;
use WideQuarry\Interchange\Typed\TypedFormat;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Question\PartKinds;

/** Documents for who has a word processor and nothing else. What is written here is read by TypedFormat. */
final readonly class DocumentFormat implements WritableFormat
{
    /** Looks of the page; nothing is fetched. */
    private const STYLE = 'body{max-width:44rem;margin:2rem auto;padding:0 1rem;font:1rem/1.5 serif}table{border-collapse:collapse}'.
        'td,th{border:1px solid #999;padding:.25rem .6rem}img{max-width:100%}';

    private function __construct(private PartKinds $kinds, private DocumentConverter $converter, private DocumentType $type)
    {
    }

    /** @return list<self> */
    public static function all(PartKinds $kinds, DocumentConverter $converter): array
    {
        return array_map(
            fn (DocumentType $type): self => new self($kinds, $converter, $type),
            [DocumentType::Word, DocumentType::OpenDocument, DocumentType::Markdown, DocumentType::Html],
        );
    }

    public function name(): string
    {
        return $this->type->value;
    }

    public function family(): string
    {
        return 'typed';
    }

    public function recognises(Source $source): bool
    {
        return false;
    }

    public function read(Source $source): iterable
    {
        return (new TypedFormat($this->converter))->read($source);
    }

    public function canVary(): bool
    {
        return false;
    }

    public function write(PackageContents $content, string $file): array
    {
        [$html, $pictures, $notices] = DocumentWriter::of($content, $this->kinds);
        $bytes = match ($this->type) {
            DocumentType::Word => WrittenZip::settled($this->converter->fromHtml($html, 'docx', $pictures)),
            DocumentType::OpenDocument => WrittenZip::settled($this->converter->fromHtml($html, 'odt', $pictures)),
            DocumentType::Markdown => MarkdownText::of(self::embedded($html, $pictures)),
            default => '<!DOCTYPE html><html><head><meta charset="utf-8"><title>Questions</title><style>'.self::STYLE.
                '</style></head><body>'.self::embedded($html, $pictures)."</body></html>\n",
        };
        file_put_contents($file, $bytes);

        return $notices;
    }

    /** @param  array<string, string>  $pictures */
    private static function embedded(string $html, array $pictures): string
    {
        return (string) preg_replace_callback('~ src="([^"]+)"~', function (array $m) use ($pictures): string {
            $bytes = $pictures[$m[1]] ?? null;
            $type = $bytes === null ? '' : (string) (new \finfo(FILEINFO_MIME_TYPE))->buffer($bytes);

            return $bytes === null ? '' : " src=\"data:$type;base64,".base64_encode($bytes).'"';
        }, $html);
    }
}
