<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Interchange\Unreadable;

/** XML without document types, entities or network. */
final class SafeXml
{
    /** @throws Unreadable */
    public static function parse(string $bytes, string $name): \DOMElement
    {
        $text = self::utf8($bytes, $name);
        $text = (string) preg_replace('/<!DOCTYPE[^\[>]{0,1000}>/i', '', $text, 1); // one without entities of its own says nothing we need
        if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', $text) === 1) {
            throw Unreadable::doctype($name);
        }
        if (trim($text) === '') {
            throw Unreadable::xml($name, 1, 'there is nothing in it');
        }
        $document = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $loaded = $document->loadXML($text, LIBXML_NONET | LIBXML_COMPACT);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $loaded || $document->documentElement === null) {
            throw Unreadable::xml($name, $error === false ? 1 : max(1, $error->line), $error === false ? 'there is nothing in it' : rtrim(trim($error->message), '.'));
        }

        return $document->doctype === null ? $document->documentElement : throw Unreadable::doctype($name);
    }

    private static function utf8(string $bytes, string $name): string
    {
        $encoding = match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => 'UTF-8',
            str_starts_with($bytes, "\xFE\xFF") || str_starts_with($bytes, "\0<") => 'UTF-16BE',
            str_starts_with($bytes, "\xFF\xFE") || str_starts_with($bytes, "<\0") => 'UTF-16LE',
            preg_match('/^<\?xml[^>]*encoding=["\']([A-Za-z0-9._-]+)["\']/', $bytes, $m) === 1 => strtoupper($m[1]),
            default => 'UTF-8',
        };
        if (! in_array($encoding, ['UTF-8', 'UTF8', 'US-ASCII', 'ASCII', 'UTF-16BE', 'UTF-16LE', 'UTF-16', 'ISO-8859-1', 'WINDOWS-1252', 'ISO-8859-15'], true)) {
            throw Unreadable::xml($name, 1, "its encoding $encoding is not one that is read here");
        }
        $text = in_array($encoding, ['UTF-8', 'UTF8', 'US-ASCII', 'ASCII'], true) ? $bytes : (string) mb_convert_encoding($bytes, 'UTF-8', $encoding);
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw Unreadable::xml($name, 1, 'its text is not in the encoding it names');
        }

        return (string) preg_replace('/^\x{FEFF}?\s*(?:<\?xml[^>]*\?>)?/u', '', $text, 1);
    }
}
