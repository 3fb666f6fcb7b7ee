<?php

declare(strict_types=1);

namespace WideQuarry\Content;

final class Serialiser
{
    /** Elements without content (HTML, 13.1.2), `track` for packages. */
    private const VOID = [...AllowList::VOID, 'track'];

    /** @param  list<Element|string>  $nodes */
    public static function html(array $nodes): string
    {
        $html = '';
        foreach ($nodes as $node) {
            $html .= is_string($node) ? self::escaped($node) : self::element($node);
        }

        return $html;
    }

    private static function element(Element $element): string
    {
        $html = "<$element->name";
        foreach ($element->attributes as $name => $value) {
            $html .=
                " $name=\"".
                strtr($value, [
                    '&' => '&amp;',
                    '<' => '&lt;',
                    '>' => '&gt;',
                    '"' => '&quot;',
                    "\n" => '&#10;',
                    "\t" => '&#9;',
                    "\r" => '&#13;',
                ]).
                '"';
        }

        return in_array($element->name, self::VOID, true)
            ? "$html/>"
            : "$html>".self::html($element->children)."</$element->name>";
    }

    private static function escaped(string $text): string
    {
        return strtr($text, ['&' => '&amp;', '<' => '&lt;', '>' => '&gt;', "\r" => '&#13;']);
    }
}
