<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Sources\OpenDocument\OpenDocumentPass;
use WideQuarry\Interchange\Typed\Sources\Word\WordPass;

/** Files that people type exams in, told by what they hold. */
enum DocumentType: string
{
    case Word = 'docx';
    case OpenDocument = 'odt';
    case RichText = 'rtf';
    case Html = 'html';
    case Markdown = 'md';
    case Text = 'text';

    /** The container of older and of encrypted files: [MS-CFB] 2.2. */
    public const COMPOUND = "\xD0\xCF\x11\xE0\xA1\xB1\x1A\xE1";

    public static function of(Source $source): ?self
    {
        if ($source->isZip()) {
            $zip = $source->zip();

            return match (true) {
                WordPass::main($zip) !== null => self::Word,
                OpenDocumentPass::is($zip) => self::OpenDocument,
                default => null,
            };
        }
        $head = ltrim($source->head(), "\xEF\xBB\xBF \t\r\n");
        $isWide = str_starts_with($source->head(), "\xFF\xFE") || str_starts_with($source->head(), "\xFE\xFF");
        if ($head === '' || (! $isWide && preg_match('/[\x00-\x08\x0E-\x1A\x1C-\x1F]/', $head) === 1)) {
            return null;
        }

        return match (true) {
            str_starts_with($head, '{\\rtf') => self::RichText,
            preg_match(
                '/^(?:<!DOCTYPE\s+html|<html|<head|<body|<meta|<!--StartFragment|<(?:div|p|h[1-6]|ol|ul|table|span|b|strong|'.
                'article|section|title|style)\b)/i',
                $head,
            ) === 1,
            preg_match('/^<!--/', $head) === 1 && preg_match('/<(?:html|body|p|div)\b/i', $head) === 1,
            preg_match('/^<\?xml[^>]*>\s*<!DOCTYPE\s+html/i', $head) === 1 => self::Html,
            preg_match('/^<!-- wq/', $head) === 1 => self::Markdown,
            preg_match('/^(?:<|\{|%PDF)/', $head) === 1 => null,
            self::isMarkdown($source, $head) => self::Markdown,
            default => self::Text,
        };
    }

    /** By its name, or by marks that plain text does not have. */
    private static function isMarkdown(Source $source, string $head): bool
    {
        return preg_match('/\.(?:md|markdown|mdown|mkd)$/i', $source->name) === 1 ||
            preg_match(
                '/^#{1,6}\s+\S.*$|\*\*\S[^*\n]*\*\*|!\[[^\]\n]*\]\([^)\n]+\)|^\|(?:\s*:?-+:?\s*\|)+\s*$|~~\S[^~\n]*~~|==\S[^=\n]*==/m',
                $head,
            ) === 1;
    }
}
