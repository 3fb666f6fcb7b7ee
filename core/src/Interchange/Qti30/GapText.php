<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Anchors;
use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Question\Question;

/** Where the gaps of tiles stand in a text: QTI puts the text that has them inside the interaction, and nothing else to answer with it. */
final class GapText
{
    /** @return list<string> parts whose gaps stand among other answers */
    public static function scattered(Question $question): array
    {
        $nodes = RichText::read($question->body)->nodes;
        $scattered = [];
        foreach ($question->parts as $part) {
            if ($part->kind?->fillsGaps() !== true) {
                continue;
            }
            $range = self::range($nodes, $part->id);
            $inside = Anchors::in($range === null ? [] : array_slice($nodes, $range[0], $range[1]));
            $others =
                array_filter($inside->parts, fn (array $anchor): bool => $anchor[0] !== $part->id) !== [] ||
                array_filter($inside->gaps, fn (array $gap): bool => $gap[1] !== $part->id) !== [];
            if ($range === null || $others) {
                $scattered[] = $part->id;
            }
        }

        return $scattered;
    }

    /**
     * The text with what has the gaps of a part wrapped in its interaction; where the tiles go stands its anchor.
     *
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    public static function wrapped(array $nodes, string $part, string $response, bool $shuffle): array
    {
        $nodes = self::without($nodes, $part);
        $range = self::range($nodes, $part);
        if ($range === null) {
            return $nodes;
        }
        $inside = array_slice($nodes, $range[0], $range[1]);
        $loose =
            array_filter(
                $inside,
                fn (Element|string $node): bool => is_string($node) || ! isset(\WideQuarry\Content\AllowList::BLOCK[$node->name]),
            ) !== [];
        $wrap = new Element(
            'qti-gap-match-interaction',
            ['response-identifier' => $response, 'max-associations' => '0', 'shuffle' => $shuffle ? 'true' : 'false'],
            [new Element('div', ['data-part' => $part]), ...$loose ? [new Element('p', [], $inside)] : $inside],
        );
        array_splice($nodes, $range[0], $range[1], [$wrap]);

        return $nodes;
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    private static function without(array $nodes, string $part): array
    {
        $kept = array_values(
            array_filter(
                $nodes,
                fn (Element|string $node): bool => ! ($node instanceof Element) || $node->attribute('data-part') !== $part,
            ),
        );

        return array_map(
            fn (Element|string $node): Element|string => $node instanceof Element
                ? $node->withChildren(self::without($node->children, $part))
                : $node,
            $kept,
        );
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return array{int, int}|null first node and how many
     */
    private static function range(array $nodes, string $part): ?array
    {
        $with = array_keys(
            array_filter(
                $nodes,
                fn (Element|string $node): bool => $node instanceof Element &&
                    array_filter(Anchors::in([$node])->gaps, fn (array $gap): bool => $gap[1] === $part) !== [],
            ),
        );

        return $with === [] ? null : [$with[0], end($with) - $with[0] + 1];
    }
}
