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
        for ($child = $parent->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($name === '' || $child->localName === $name) {
                $children[] = $child;
            }
        }

        return $children;
    }

    /**
     * All elements within one, in the order of the document. From element to element the DOM goes without PHP meeting the texts between;
     * a live list of the DOM is walked anew for each of them, which takes long in large documents. To say that there are none, it is the
     * quickest: six times as quick as the walk.
     *
     * @return list<\DOMElement>
     */
    public static function all(\DOMElement $within, string $name = '*'): array
    {
        if ($name !== '*' && $within->getElementsByTagName($name)->item(0) === null) {
            return [];
        }
        $found = [];
        self::collect($within, $name, $found);

        return $found;
    }

    /** @param  list<\DOMElement>  $found */
    private static function collect(\DOMElement $within, string $name, array &$found): void
    {
        for ($child = $within->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($name === '*' || $child->localName === $name) {
                $found[] = $child;
            }
            self::collect($child, $name, $found);
        }
    }

    /** Whether two elements say the same: names, attributes, and what is within them, apart from blank text. */
    public static function same(\DOMElement $one, \DOMElement $other): bool
    {
        if ($one->localName !== $other->localName || $one->attributes->length !== $other->attributes->length) {
            return false;
        }
        foreach ($one->attributes as $attribute) {
            if (self::attribute($other, $attribute->name) !== $attribute->value) {
                return false;
            }
        }
        [$within, $there] = [self::children($one), self::children($other)];
        if ($within === [] && $there === []) {
            return trim($one->textContent) === trim($other->textContent);
        }
        foreach ($within as $i => $child) {
            if (! isset($there[$i]) || ! self::same($child, $there[$i])) {
                return false;
            }
        }

        return count($within) === count($there);
    }

    public static function child(\DOMElement $parent, string $name): ?\DOMElement
    {
        for ($child = $parent->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            if ($child->localName === $name) {
                return $child;
            }
        }

        return null;
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
