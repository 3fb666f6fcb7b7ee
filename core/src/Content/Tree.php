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
    /**
     * @param  array<string, string>  $values  variable name → how its value is written; others stay as names
     * @return list<Node>
     */
    public static function of(string $html, array $values = []): array
    {
        return self::nodes(Reader::read($html)->nodes, $values);
    }

    /**
     * @param  list<Element|string>  $nodes
     * @param  array<string, string>  $values
     * @return list<Node>
     */
    private static function nodes(array $nodes, array $values): array
    {
        return array_map(fn (Element|string $node): string|array => is_string($node) ? $node : self::element($node, $values), $nodes);
    }

    /**
     * @param  array<string, string>  $values
     * @return Node
     */
    private static function element(Element $element, array $values): string|array
    {
        $name = $element->attribute('data-value');
        if ($name !== null && isset($values[$name])) {
            return $element->name === 'mi' ? ['mn', new \stdClass(), $values[$name]] : $values[$name];
        }
        if ($name !== null) {
            return [$element->name === 'mi' ? 'mi' : 'var', new \stdClass(), $name];
        }
        $children =
            $element->name === 'annotation'
                ? array_map(fn (Element|string $child): string => is_string($child) ? self::tex($child, $values) : '', $element->children)
                : self::nodes($element->children, $values);

        return [$element->name, (object) $element->attributes, ...$children];
    }

    /** @param  array<string, string>  $values */
    private static function tex(string $tex, array $values): string
    {
        return (string) preg_replace_callback(
            '/\\\\val\{([A-Za-z][A-Za-z0-9_]*)\}/',
            fn (array $m): string => $values[$m[1]] ?? $m[1],
            $tex,
        );
    }
}
