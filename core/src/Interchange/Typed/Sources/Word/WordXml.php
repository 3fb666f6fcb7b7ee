<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

/** Short ways through WordprocessingML (ECMA-376, part 1, 17). */
final class WordXml
{
    public const W = 'http://schemas.openxmlformats.org/wordprocessingml/2006/main';

    public const W14 = 'http://schemas.microsoft.com/office/word/2010/wordml';

    public const MC = 'http://schemas.openxmlformats.org/markup-compatibility/2006';

    public const MATHS = 'http://schemas.openxmlformats.org/officeDocument/2006/math';

    public const STRICT = 'http://purl.oclc.org/ooxml/wordprocessingml/main';

    /** @return list<\DOMElement> in order of the document; a copy, so that the tree may change */
    public static function all(\DOMNode $within, string $name, string $space = self::W): array
    {
        $found = [];
        if ($within instanceof \DOMElement || $within instanceof \DOMDocument) {
            foreach ($within->getElementsByTagNameNS($space, $name) as $element) {
                $found[] = $element;
            }
        }

        return $found;
    }

    public static function child(?\DOMElement $of, string $name, string $space = self::W): ?\DOMElement
    {
        foreach ($of === null ? [] : $of->childNodes as $child) {
            if ($child instanceof \DOMElement && $child->localName === $name && $child->namespaceURI === $space) {
                return $child;
            }
        }

        return null;
    }

    public static function value(?\DOMElement $element, string $name = 'val'): ?string
    {
        return $element === null || ! $element->hasAttributeNS(self::W, $name) ? null : $element->getAttributeNS(self::W, $name);
    }

    /** A property that is on when it is there, unless it says otherwise (17.17.4). */
    public static function isOn(?\DOMElement $element): bool
    {
        return $element !== null && ! in_array(self::value($element) ?? '1', ['0', 'false', 'off', 'none'], true);
    }

    public static function remove(\DOMNode ...$nodes): void
    {
        foreach ($nodes as $node) {
            $node->parentNode?->removeChild($node);
        }
    }

    /** Puts what an element holds in its place. */
    public static function unwrap(\DOMElement $element, ?\DOMElement $content = null): void
    {
        $content ??= $element;
        while ($content->firstChild !== null) {
            $element->parentNode?->insertBefore($content->firstChild, $element);
        }
        self::remove($element);
    }

    public static function run(\DOMDocument $document, string $text): \DOMElement
    {
        $run = $document->createElementNS(self::W, 'w:r');
        $run->appendChild(self::text($document, $text));

        return $run;
    }

    public static function text(\DOMDocument $document, string $text): \DOMElement
    {
        $element = $document->createElementNS(self::W, 'w:t');
        $element->setAttribute('xml:space', 'preserve');
        $element->appendChild($document->createTextNode($text));

        return $element;
    }
}
