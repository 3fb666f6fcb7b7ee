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
        return strtr($text, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;', '"' => '&quot;', "\n" => '&#10;', "\t" => '&#9;', "\r" => '&#13;']);
    }
}
