<?php

declare(strict_types=1);

namespace WideQuarry\Content;

use Masterminds\HTML5;

/** Markup to a tree of nodes, then through the allow-list. */
final class Reader
{
    public static function read(string $html): RichText
    {
        $html = self::plainUnicode($html);
        if (strpbrk($html, '<&') === false) {
            return new RichText((new Cleaner)->fragmentOfText($html));
        }
        if (preg_match('~^<p>([^<&]+)</p>$~D', $html, $plain) === 1) {
            // most options and feedback are this; no parser is needed
            return new RichText(ParagraphLines::split([$plain[1]], fn (array $line): Element => new Element('p', [], $line)));
        }
        $exceeded = Limits::exceeded($html);
        if ($exceeded !== null) {
            $words = html_entity_decode(strip_tags($html), ENT_QUOTES | ENT_HTML5, 'UTF-8');

            return new RichText((new Cleaner)->fragmentOfText($words), [new DroppedContent('markup', $exceeded, 1)]);
        }
        $html = (string) preg_replace('~<(?![A-Za-z/!?])~', '&lt;', $html); // "a < b" opens nothing
        $root = self::asXml($html) ?? self::asHtml($html);
        $cleaner = new Cleaner;

        return new RichText($cleaner->fragment($root), $cleaner->dropped());
    }

    /** Element of a document that was parsed elsewhere, such as the body of a package's item. */
    public static function ofDom(\DOMNode $root): RichText
    {
        $cleaner = new Cleaner;

        return new RichText($cleaner->fragment($root), $cleaner->dropped());
    }

    private static function plainUnicode(string $text): string
    {
        $text = str_replace("\0", '', mb_check_encoding($text, 'UTF-8') ? $text : mb_scrub($text, 'UTF-8'));
        if (preg_match('/[^\x09\x0A\x0D\x20-\x7E]/', $text) !== 1) {
            return $text;
        }
        $text = (string) preg_replace('/[\x00-\x08\x0B\x0C\x0E-\x1F\x{FFFE}\x{FFFF}]/u', '', $text);

        return Unicode::nfc($text);
    }

    /** Our own serialisation is well-formed, and libxml reads that many times faster than an HTML parser does. */
    private static function asXml(string $html): ?\DOMNode
    {
        if (str_contains($html, '<!') || str_contains($html, '<?')) {
            return null; // declarations, comments and instructions are the HTML parser's business
        }
        if (str_contains($html, 'data-transcript')) {
            // XML reads a line break in an attribute as a space (XML 1.0, 3.3.3); HTML writes it as it is
            $html = (string) preg_replace_callback(
                '/ data-transcript="[^"]*"/',
                fn (array $m): string => strtr($m[0], ["\r\n" => '&#10;', "\n" => '&#10;', "\r" => '&#10;']),
                $html,
            );
        }
        $document = new \DOMDocument;
        $errors = libxml_use_internal_errors(true);
        $loaded = $document->loadXML("<q>$html</q>", LIBXML_NONET);
        libxml_clear_errors();
        libxml_use_internal_errors($errors);

        return $loaded ? $document->documentElement : null;
    }

    private static function asHtml(string $html): \DOMNode
    {
        return (new HTML5(['disable_html_ns' => true, 'encode_entities' => false]))->loadHTMLFragment($html);
    }
}
