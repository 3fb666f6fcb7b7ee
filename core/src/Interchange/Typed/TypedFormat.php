<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed;

use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\NoConverter;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Sources\DocumentType;
use WideQuarry\Interchange\UnreadableFile;

/** Questions as people type them: DOCX, ODT, RTF, Markdown, HTML, plain text. What of them can be written is in Written. */
final class TypedFormat implements Format
{
    /** Bytes of text; of a document with pictures. */
    public const LARGEST = 5_000_000;

    public const LARGEST_DOCUMENT = 100_000_000;

    public function __construct(private readonly DocumentConverter $converter = new NoConverter)
    {
    }

    public function name(): string
    {
        return 'text';
    }

    public function family(): string
    {
        return 'typed';
    }

    public function recognises(Source $source): bool
    {
        if (str_starts_with($source->head(), DocumentType::COMPOUND)) {
            return true; // refused with what to do about it
        }

        return DocumentType::of($source) !== null;
    }

    public function read(Source $source): iterable
    {
        $type = DocumentType::of($source) ?? throw $this->unreadable($source);
        $isText = in_array($type, [DocumentType::Text, DocumentType::Markdown], true);
        $largest = $isText ? self::LARGEST : self::LARGEST_DOCUMENT;
        if (filesize($source->file) > $largest) {
            throw UnreadableFile::tooLarge(intdiv($largest, 1_000_000));
        }

        return (new TypedReader($this->converter))->read($source, $type);
    }

    /** An encrypted document is in the same container as those of before 2007 ([MS-OFFCRYPTO] 2.3.4). */
    private function unreadable(Source $source): UnreadableFile
    {
        $isEncrypted = str_contains($source->bytes(), mb_convert_encoding('EncryptedPackage', 'UTF-16LE'));

        return match (true) {
            ! str_starts_with($source->head(), DocumentType::COMPOUND) => UnreadableFile::unknownFormat($source->name),
            $isEncrypted => UnreadableFile::locked($source->name),
            default => UnreadableFile::oldDocument($source->name),
        };
    }
}
