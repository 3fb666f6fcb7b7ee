<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** Small steps over a DOM tree. */
final class Xml
{
    /** @return list<\DOMElement> */
    public static function children(\DOMElement $parent, string $name = ''): array
    {
        $children = [];
        foreach ($parent->childNodes as $child) {
            if ($child instanceof \DOMElement && ($name === '' || $child->localName === $name)) {
                $children[] = $child;
            }
        }

        return $children;
    }

    /**
     * All elements within one, in the order of the document. A live list of the DOM is walked anew for each of them, which takes long in
     * large documents.
     *
     * @return list<\DOMElement>
     */
    public static function all(\DOMElement $within, string $name = '*'): array
    {
        $found = [];
        $node = $within->firstChild;
        while ($node !== null) {
            if ($node instanceof \DOMElement && ($name === '*' || $node->localName === $name)) {
                $found[] = $node;
            }
            $next = $node->firstChild ?? $node->nextSibling;
            for ($up = $node->parentNode; $next === null && $up !== null && $up !== $within; $up = $up->parentNode) {
                $next = $up->nextSibling;
            }
            $node = $next;
        }

        return $found;
    }

    public static function child(\DOMElement $parent, string $name): ?\DOMElement
    {
        return self::children($parent, $name)[0] ?? null;
    }

    public static function attribute(\DOMElement $element, string $name): ?string
    {
        return $element->hasAttribute($name) ? $element->getAttribute($name) : null;
    }

    public static function source(\DOMElement $element): string
    {
        return (string) $element->ownerDocument?->saveXML($element);
    }

    public static function escape(string $text): string
    {
        return strtr($text, [
            '&' => '&amp;',
            '<' => '&lt;',
            '>' => '&gt;',
            '"' => '&quot;',
            "\n" => '&#10;',
            "\t" => '&#9;',
            "\r" => '&#13;',
        ]);
    }
}
