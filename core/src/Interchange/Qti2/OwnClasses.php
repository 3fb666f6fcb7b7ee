<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

/**
 * What 2.x has neither attributes nor elements for stands in classes there, which it leaves to everybody: our own attributes of
 * interactions, underlined and struck words.
 */
final class OwnClasses
{
    private const BEFORE = 'quarry-';

    /** Attributes of interactions. */
    private const OF_PARTS = 'opinion|by|sort|shuffle|to|least|most|spelling|size|count';

    /** A figure and its caption, and what they are there. */
    private const FIGURE = ['figure' => 'div', 'figcaption' => 'p'];

    private const WORDS = ['u' => 'underlined', 's' => 'struck'];

    /** The attributes of an element of 3.0 with classes in place of data. */
    public static function from(string $attributes): string
    {
        preg_match_all('/ data-([a-z]+)="([a-z]+|[\d.,-]+)"/', $attributes, $m, PREG_SET_ORDER);
        if ($m === []) {
            return $attributes;
        }
        $classes = implode(' ', array_map(fn (array $one): string => self::BEFORE."$one[1]-".strtr($one[2], ',', '_'), $m));
        $attributes = (string) preg_replace('/ data-[a-z]+="(?:[a-z]+|[\d.,-]+)"/', '', $attributes);

        return str_contains($attributes, ' class="')
            ? str_replace(' class="', " class=\"$classes ", $attributes)
            : "$attributes class=\"$classes\"";
    }

    /** HTML as 2.x has it. */
    public static function html(string $xml): string
    {
        $xml = (string) preg_replace_callback(
            '~<(/?)(u|s)>~',
            fn (array $m): string => $m[1] === '' ? '<span class="'.self::BEFORE.self::WORDS[$m[2]].'">' : '</span>',
            $xml,
        );

        $xml = strtr($xml, ['</figure>' => '</div>', '</figcaption>' => '</p>']);

        return (string) preg_replace_callback(
            '~<(figure|figcaption|img|ol|t[dh])((?: [a-z:-]+="[^"]*")*+)(/?)>~',
            fn (array $m): string => '<'.(self::FIGURE[$m[1]] ?? $m[1]).self::withClasses($m[1], $m[2])."$m[3]>",
            $xml,
        );
    }

    /** The attributes of an element of HTML, with those that 2.x does not know as classes. */
    private static function withClasses(string $name, string $attributes): string
    {
        $classes = isset(self::FIGURE[$name]) ? [self::BEFORE.$name] : [];
        $attributes = (string) preg_replace_callback(
            $name === 'ol' ? '/ (start|type)="([A-Za-z0-9]+)"/' : '/ data-(align|view|colwidth)="([a-z0-9 ,]+)"/',
            function (array $m) use (&$classes): string {
                $classes[] = self::BEFORE."$m[1]-".strtr($m[2], ' ,', '__');

                return '';
            },
            $attributes,
        );

        return $classes === [] ? $attributes : "$attributes class=\"".implode(' ', $classes).'"';
    }

    public static function areIn(string $xml): bool
    {
        return str_contains($xml, self::BEFORE);
    }

    /** Gives an item back what stands in classes. */
    public static function raise(\DOMElement $item): void
    {
        $found = (new \DOMXPath($item->ownerDocument ?? new \DOMDocument))->query(
            './/*[contains(@class, "'.self::BEFORE.'")]',
            $item,
        );
        $renamed = [];
        foreach ($found === false ? [] : iterator_to_array($found, false) as $element) {
            assert($element instanceof \DOMElement);
            foreach (explode(' ', $element->getAttribute('class')) as $class) {
                $word = array_search(substr($class, strlen(self::BEFORE)), self::WORDS, true);
                if (str_starts_with($class, self::BEFORE) && $word !== false && $element->localName === 'span') {
                    self::renamed($element, $word);
                } elseif (preg_match('/^'.self::BEFORE.'(figure|figcaption)$/D', $class, $m) === 1) {
                    $renamed[] = [$element, $m[1]];
                } elseif (
                    $element->localName === 'ol' &&
                    preg_match('/^'.self::BEFORE.'(start|type)-([A-Za-z0-9]+)$/D', $class, $m) === 1
                ) {
                    $element->setAttribute($m[1], $m[2]);
                } elseif (preg_match('/^'.self::BEFORE.'(align|view|colwidth)-([a-z0-9_]+)$/D', $class, $m) === 1) {
                    $element->setAttribute("data-$m[1]", strtr($m[2], '_', $m[1] === 'view' ? ' ' : ','));
                } elseif (preg_match('/^'.self::BEFORE.'('.self::OF_PARTS.')-([a-z\d._-]+)$/D', $class, $m) === 1) {
                    $element->setAttribute("data-$m[1]", strtr($m[2], '_', ','));
                }
            }
        }
        foreach ($renamed as [$element, $name]) {
            self::renamed($element, $name);
        }
    }

    private static function renamed(\DOMElement $element, string $name): void
    {
        $new = ($element->ownerDocument ?? new \DOMDocument)->createElement($name);
        if ($element->hasAttribute('data-align')) {
            $new->setAttribute('data-align', $element->getAttribute('data-align'));
        }
        while ($element->firstChild !== null) {
            $new->appendChild($element->firstChild);
        }
        $element->parentNode?->replaceChild($new, $element);
    }
}
