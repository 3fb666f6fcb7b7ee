<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\OpenDocument;

/** Short ways through OpenDocument (ISO/IEC 26300-1, 2015). */
final class OdfXml
{
    public const TEXT = 'urn:oasis:names:tc:opendocument:xmlns:text:1.0';

    public const STYLE = 'urn:oasis:names:tc:opendocument:xmlns:style:1.0';

    public const FO = 'urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0';

    public const DRAW = 'urn:oasis:names:tc:opendocument:xmlns:drawing:1.0';

    public const XLINK = 'http://www.w3.org/1999/xlink';

    public const OFFICE = 'urn:oasis:names:tc:opendocument:xmlns:office:1.0';

    public const TABLE = 'urn:oasis:names:tc:opendocument:xmlns:table:1.0';

    public const FORM = 'urn:oasis:names:tc:opendocument:xmlns:form:1.0';

    public const LOEXT = 'urn:org:documentfoundation:names:experimental:office:xmlns:loext:1.0';

    /** @return list<\DOMElement> a copy, so that the tree may change */
    public static function all(\DOMElement $within, string $space, string $name): array
    {
        return iterator_to_array($within->getElementsByTagNameNS($space, $name), false);
    }

    public static function is(?\DOMNode $node, string $space, string $name): bool
    {
        return $node instanceof \DOMElement && $node->localName === $name && $node->namespaceURI === $space;
    }

    public static function replace(\DOMElement $element, string $text): void
    {
        $document = $element->ownerDocument;
        if ($document !== null) {
            $element->parentNode?->replaceChild($document->createTextNode($text), $element);
        }
    }

    public static function before(\DOMElement $paragraph, string $text): void
    {
        $document = $paragraph->ownerDocument;
        if ($text !== '' && $document !== null) {
            $paragraph->insertBefore($document->createTextNode($text), $paragraph->firstChild);
        }
    }

    public static function remove(\DOMNode ...$nodes): void
    {
        foreach ($nodes as $node) {
            $node->parentNode?->removeChild($node);
        }
    }

    public static function unwrap(\DOMElement $element): void
    {
        while ($element->firstChild !== null) {
            $element->parentNode?->insertBefore($element->firstChild, $element);
        }
        self::remove($element);
    }
}
