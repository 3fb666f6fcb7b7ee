<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Question\Item;

/** The two sets of a qti-match-interaction. */
final class MatchXml
{
    /**
     * @param  string  $limit  how the settings call match-max
     * @param  \Closure(\DOMElement): string  $content
     * @return array{list<array<string, mixed>>, list<array<string, mixed>>}
     */
    public static function sets(\DOMElement $interaction, string $limit, \Closure $content): array
    {
        $sets = array_map(
            fn (\DOMElement $set): array => array_map(function (\DOMElement $choice) use ($limit, $content): array {
                $max = (int) (Xml::attribute($choice, 'match-max') ?? 1);

                return ['id' => $choice->getAttribute('identifier'), 'html' => $content($choice), $limit => $max > 0 ? $max : null];
            }, Xml::children($set, 'qti-simple-associable-choice')),
            Xml::children($interaction, 'qti-simple-match-set'),
        );

        return [$sets[0] ?? [], $sets[1] ?? []];
    }

    /**
     * @param  list<Item>  $first
     * @param  list<Item>  $second
     * @param  'first'|'second'  $mixed  the set that is shuffled; the other one is written as fixed
     * @param  array<string, string>  $more  attributes
     * @param  \Closure(string): string  $content
     */
    public static function write(
        string $response,
        array $first,
        array $second,
        bool $shuffle,
        string $mixed,
        array $more,
        \Closure $content,
    ): string {
        $attributes = implode(
            '',
            array_map(fn (string $name, string $value): string => " $name=\"".Xml::escape($value).'"', array_keys($more), $more),
        );

        return "<qti-match-interaction$attributes response-identifier=\"$response\" max-associations=\"0\" shuffle=\"".
            ($shuffle ? 'true' : 'false').
            '">'.
            self::set($first, $shuffle && $mixed !== 'first', $content).
            self::set($second, $shuffle && $mixed !== 'second', $content).
            '</qti-match-interaction>';
    }

    /**
     * @param  list<Item>  $items
     * @param  \Closure(string): string  $content
     */
    private static function set(array $items, bool $fixed, \Closure $content): string
    {
        return '<qti-simple-match-set>'.
            implode(
                '',
                array_map(
                    fn (Item $item): string => '<qti-simple-associable-choice identifier="'.
                        Identifiers::of($item->id).
                        '" match-max="'.
                        ($item->limit ?? 0).
                        '"'.
                        ($fixed ? ' fixed="true"' : '').
                        '>'.
                        $content($item->html).
                        '</qti-simple-associable-choice>',
                    $items,
                ),
            ).
            '</qti-simple-match-set>';
    }
}
