<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\CoreException;

/** A file that cannot be read at all, or must not be. */
final class UnreadableFile extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    public static function notFound(string $name): self
    {
        return new self('file.not_found', "There is no file $name that can be read.");
    }

    public static function unknownFormat(string $name): self
    {
        return new self(
            'file.unknown_format',
            "$name is in no open format that can be read here: it may be a form of one system alone. Ask its sender for an export ".
                'as QTI (1.2.1, 2.1, 2.2 or 3.0), as Common Cartridge, or for plain text.',
        );
    }

    public static function noQuestions(string $name): self
    {
        return new self(
            'text.no_questions',
            "No numbered question was found in $name. Number the questions 1., 2., 3., and give the text again; or ask its sender ".
                'for a QTI package.',
        );
    }

    public static function endlessQuestion(int $line, int $most): self
    {
        return new self(
            'text.endless_question',
            "What begins in line $line goes on for more than $most lines without another numbered question. Number the questions ".
                '1., 2., 3., then import the text again.',
        );
    }

    public static function brokenZip(string $name): self
    {
        return new self('package.broken', "$name is not a whole ZIP package: it is cut off or damaged. Fetch it again.");
    }

    public static function damaged(string $entry): self
    {
        return new self(
            'package.broken',
            '"'.mb_strimwidth(mb_scrub($entry), 0, 80, '…').'" in the package is damaged or cut off.',
            $entry,
        );
    }

    public static function entry(string $rule, string $entry, string $why): self
    {
        return new self(
            "package.$rule",
            'The package was refused: the entry "'.mb_strimwidth(mb_scrub($entry), 0, 80, '…')."\" $why.",
            $entry,
        );
    }

    public static function tooMany(int $count, int $limit): self
    {
        return new self('package.too_many_entries', "The package was refused: it has $count entries, more than $limit.");
    }

    public static function tooLarge(int $megabytes): self
    {
        return new self('package.too_large', "The package was refused: unpacked it is larger than $megabytes MB.");
    }

    public static function xml(string $file, int $line, string $why): self
    {
        return new self('xml.broken', "$file is not well-formed XML: line $line, $why.", $file);
    }

    public static function doctype(string $file): self
    {
        return new self('xml.doctype', "$file was refused: it declares a document type with entities of its own.", $file);
    }

    public static function missing(string $file): self
    {
        return new self('package.missing', "The package has no $file.", $file);
    }

    public static function manifest(string $why): self
    {
        return new self('package.manifest', $why, 'package.json');
    }
}
