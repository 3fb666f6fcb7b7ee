<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** The words alone, for titles, lists and search: blocks end lines, parts and gaps are an ellipsis, values stand in angle brackets. */
final class PlainText
{
    /**
     * @param  list<Element|string>  $nodes
     * @param  bool  $spoken  with what is said in recordings, which is looked for and not shown
     */
    public static function of(array $nodes, bool $spoken = true): string
    {
        $lines = preg_split('/\s*\n\s*/u', self::raw($nodes, $spoken)) ?: [];

        return implode(
            "\n",
            array_values(
                array_filter(
                    array_map(fn (string $line): string => trim((string) preg_replace('/[ \t]+/', ' ', $line)), $lines),
                    fn (string $line): bool => $line !== '',
                ),
            ),
        );
    }

    /** @param  list<Element|string>  $nodes */
    private static function raw(array $nodes, bool $spoken): string
    {
        $text = '';
        foreach ($nodes as $node) {
            $text .= is_string($node) ? $node : self::element($node, $spoken);
        }

        return $text;
    }

    private static function element(Element $element, bool $spoken): string
    {
        return match (true) {
            $element->name === 'br' => "\n",
            $element->name === 'img' => $element->attribute('alt') ?? '',
            $element->name === 'audio', $element->name === 'video' => implode(
                "\n",
                array_filter([$element->attribute('title'), $spoken ? $element->attribute('data-transcript') : null]),
            ),
            $element->name === 'annotation' => '',
            $element->name === 'var' => '⟨'.$element->attribute('data-value').'⟩',
            $element->name === 'mi' && $element->attribute('data-value') !== null => '⟨'.$element->attribute('data-value').'⟩',
            $element->name === 'span' && ($element->attribute('data-part') ?? $element->attribute('data-gap')) !== null => '…',
            $element->name === 'mfrac' && count($element->children) === 2 => self::raw([$element->children[0]], $spoken).
                '/'.
                self::raw([$element->children[1]], $spoken),
            in_array($element->name, ['td', 'th'], true) => self::raw($element->children, $spoken).' ',
            isset(AllowList::BLOCK[$element->name]) || in_array($element->name, ['li', 'tr', 'caption', 'figcaption'], true) => "\n".
                self::raw($element->children, $spoken).
                "\n",
            default => self::raw($element->children, $spoken),
        };
    }
}
