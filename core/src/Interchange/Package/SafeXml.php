<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/** XML without document types, entities or network; what people's systems get wrong in it is mended and said. */
final readonly class SafeXml
{
    private const ENCODINGS = [
        'UTF-8',
        'UTF8',
        'US-ASCII',
        'ASCII',
        'UTF-16BE',
        'UTF-16LE',
        'UTF-16',
        'ISO-8859-1',
        'WINDOWS-1252',
        'ISO-8859-15',
    ];

    /** @param  list<Notice>  $notices  what was mended */
    private function __construct(public \DOMElement $root, public array $notices)
    {
    }

    /** @throws UnreadableFile */
    public static function parse(string $bytes, string $name): \DOMElement
    {
        return self::open($bytes, $name)->root;
    }

    /**
     * @param  (\Closure(string): string)|null  $words  makes words of one version those of another, line for line
     *
     * @throws UnreadableFile
     */
    public static function open(string $bytes, string $name, ?\Closure $words = null): self
    {
        [$text, $notices] = self::utf8($bytes, $name);
        $text = (string) preg_replace('/<!DOCTYPE[^\[>]{0,1000}>/i', '', $text, 1); // one without entities of its own says nothing we need
        if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', $text) === 1) {
            throw UnreadableFile::doctype($name);
        }
        if (trim($text) === '') {
            throw UnreadableFile::xml($name, 1, Message::of('interchange.package.nothing'));
        }
        $text = $words === null ? $text : $words($text);
        try {
            return new self(self::load($text, $name), $notices);
        } catch (UnreadableFile $problem) {
            $mended = self::mended($text);

            return $mended === $text
                ? throw $problem
                : new self(self::load($mended, $name), [
                    ...$notices,
                    Notice::note(
                        'xml.mended',
                        Message::of('interchange.package.signs-xml-does-not-take'),
                        $name,
                    ),
                ]);
        }
    }

    /** @throws UnreadableFile */
    private static function load(string $text, string $name): \DOMElement
    {
        $document = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $loaded = $document->loadXML($text, LIBXML_NONET | LIBXML_COMPACT);
        $errors = array_values(array_filter(libxml_get_errors(), fn (\LibXMLError $error): bool => $error->level === LIBXML_ERR_FATAL));
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        if (! $loaded || $document->documentElement === null) {
            throw UnreadableFile::xml(
                $name,
                max(1, $errors[0]->line ?? 1),
                isset($errors[0]) ? rtrim(trim($errors[0]->message), '.') : Message::of('interchange.package.nothing'),
            );
        }

        return $document->doctype === null ? $document->documentElement : throw UnreadableFile::doctype($name);
    }

    /**
     * With characters instead of their names in HTML (HTML Living Standard, 13.5), every & that begins nothing as one, and without what
     * XML 1.0 has no place for (2.2).
     */
    private static function mended(string $text): string
    {
        $text = (string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F]/', '', $text);

        return (string) preg_replace_callback(
            '/&(?:#\d{1,7};|#x[0-9a-f]{1,6};|(\w{1,40});)?/i',
            function (array $m): string {
                $named = $m[1] ?? '';
                if (
                    $m[0] === '&' ||
                    ($named !== '' && ($character = html_entity_decode($m[0], ENT_QUOTES | ENT_HTML5, 'UTF-8')) === $m[0])
                ) {
                    return '&amp;'.substr($m[0], 1);
                }

                return $named === '' || in_array($named, ['amp', 'lt', 'gt', 'quot', 'apos'], true)
                    ? $m[0]
                    : htmlspecialchars($character ?? '', ENT_XML1 | ENT_QUOTES, 'UTF-8');
            },
            $text,
        );
    }

    /** @return array{string, list<Notice>} without its first line */
    private static function utf8(string $bytes, string $name): array
    {
        $said = preg_match('/^\s*<\?xml[^>]*encoding=["\']([A-Za-z0-9._-]+)["\']/', $bytes, $m) === 1 ? strtoupper($m[1]) : 'UTF-8';
        $encoding = match (true) {
            str_starts_with($bytes, "\xEF\xBB\xBF") => 'UTF-8',
            str_starts_with($bytes, "\xFE\xFF") || str_starts_with($bytes, "\0<") => 'UTF-16BE',
            str_starts_with($bytes, "\xFF\xFE") || str_starts_with($bytes, "<\0") => 'UTF-16LE',
            str_starts_with($said, 'UTF-16') => 'UTF-8', // its own first line could be read, so it is not what it says
            default => $said,
        };
        if (! in_array($encoding, self::ENCODINGS, true)) {
            throw UnreadableFile::xml($name, 1, Message::of('interchange.package.encoding-not-read-here', ['encoding' => $encoding]));
        }
        $notices = [];
        $text = in_array($encoding, ['UTF-8', 'UTF8', 'US-ASCII', 'ASCII'], true)
            ? $bytes
            : (string) mb_convert_encoding($bytes, 'UTF-8', $encoding);
        if (! mb_check_encoding($text, 'UTF-8')) {
            $text = Encoding::mended($bytes);
            $notices[] = Notice::note(
                'xml.encoding',
                Message::of('interchange.package.not-all-text'),
                $name,
            );
        }

        return [(string) preg_replace('/^\x{FEFF}?\s*(?:<\?xml[^>]*\?>)?/u', '', $text, 1), $notices];
    }
}
