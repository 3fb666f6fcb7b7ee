<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * Rich text as nested arrays for a presentation: text, or [name, attributes, ...children], values filled in.
 *
 * @phpstan-type Node string|array<int, mixed>
 */
final class Tree
{
    /** @return list<Node> values that have not been filled in stay as names */
    public static function of(string $html, Filling $values = new Filling): array
    {
        return self::nodes($values->nodes(Reader::read($html)->nodes));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Node>
     */
    private static function nodes(array $nodes): array
    {
        return array_map(fn (Element|string $node): string|array => is_string($node) ? $node : self::element($node), $nodes);
    }

    /** @return array<int, mixed> */
    private static function element(Element $element): array
    {
        $name = $element->attribute('data-value');

        return $name === null
            ? [$element->name, (object) $element->attributes, ...self::nodes($element->children)]
            : [$element->name === 'mi' ? 'mi' : 'var', new \stdClass(), $name];
    }
}
