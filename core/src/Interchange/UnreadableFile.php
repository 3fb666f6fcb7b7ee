<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** A file that cannot be read at all, or must not be. */
final class UnreadableFile extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    public static function notFound(string $name): self
    {
        return new self('file.not_found', Message::of('interchange.no-readable-file', ['name' => $name]));
    }

    public static function unknownFormat(string $name): self
    {
        return new self(
            'file.unknown_format',
            Message::of('interchange.no-open-format', ['name' => $name]),
        );
    }

    public static function ambiguous(string $name): self
    {
        return new self('file.ambiguous', Message::of('interchange.framework-or-questions', ['name' => $name]));
    }

    public static function noPart(): self
    {
        return new self('parts.none', Message::of('interchange.no-part-chosen'));
    }

    public static function unknownPart(string $id): self
    {
        return new self('parts.unknown', Message::of('interchange.no-such-part', ['id' => mb_strimwidth($id, 0, 120, '…')]));
    }

    public static function noQuestions(string $name): self
    {
        return new self(
            'text.no_questions',
            Message::of('interchange.no-numbered-question-found', ['name' => $name]),
        );
    }

    /** Encrypted, or a file of a word processor of before 2007, which looks the same from outside. */
    public static function locked(string $name): self
    {
        return new self('document.locked', Message::of('interchange.document-locked', ['name' => $name]));
    }

    public static function oldDocument(string $name): self
    {
        return new self('document.old', Message::of('interchange.document-old', ['name' => $name]));
    }

    public static function notConverted(): self
    {
        return new self('document.not_converted', Message::of('interchange.document-not-converted'));
    }

    public static function tooWide(string $sheet, int $rows, int $columns): self
    {
        return new self('table.too_large', Message::of('interchange.sheet-too-large', [
            'sheet' => $sheet,
            'rows' => $rows,
            'columns' => $columns,
        ]));
    }

    public static function endlessQuestion(int $line, int $most): self
    {
        return new self(
            'text.endless_question',
            Message::of('interchange.begins-line-goes-more', ['line' => $line, 'most' => $most]),
        );
    }

    public static function brokenZip(string $name): self
    {
        return new self('package.broken', Message::of('interchange.not-a-whole-zip', ['name' => $name]));
    }

    public static function damaged(string $entry): self
    {
        return new self(
            'package.broken',
            Message::of('interchange.package-damaged-cut-off', ['entry' => mb_strimwidth(mb_scrub($entry), 0, 80, '…')]),
            $entry,
        );
    }

    public static function entry(string $rule, string $entry, string $why): self
    {
        return new self(
            "package.$rule",
            Message::of('interchange.package-refused-entry', [
                'entry' => mb_strimwidth(mb_scrub($entry), 0, 80, '…'),
                'why' => $why,
            ]),
            $entry,
        );
    }

    public static function tooMany(int $count, int $limit): self
    {
        return new self('package.too_many_entries', Message::of('interchange.package-refused-entries-more', [
            'count' => $count,
            'limit' => $limit,
        ]));
    }

    public static function tooLarge(int $megabytes): self
    {
        return new self('package.too_large', Message::of('interchange.package-refused-unpacked-larger', ['megabytes' => $megabytes]));
    }

    public static function xml(string $file, int $line, string $why): self
    {
        return new self('xml.broken', Message::of('interchange.not-well-formed-xml', [
            'file' => $file,
            'line' => $line,
            'why' => $why,
        ]), $file);
    }

    public static function doctype(string $file): self
    {
        return new self('xml.doctype', Message::of('interchange.refused-declares-document-type', ['file' => $file]), $file);
    }

    public static function missing(string $file): self
    {
        return new self('package.missing', Message::of('interchange.package-lacks-file', ['file' => $file]), $file);
    }

    public static function manifest(string $why): self
    {
        return new self('package.manifest', $why, 'package.json');
    }
}
