<?php

declare(strict_types=1);

namespace WideQuarry\Content;

use WideQuarry\Messages\Message;

/**
 * How much markup one text may hold, counted before anything is parsed: parsers of HTML take time as the square of the depth and of the
 * number of attributes. Far above what people write; what lies beyond is read as plain words.
 */
final class Limits
{
    /** Characters of what is said in a recording. */
    public const TRANSCRIPT = 20_000;

    private const DEPTH = 100;

    private const ELEMENTS = 20_000;

    private const ATTRIBUTES = 500;

    /** Elements whose end may be left out (HTML, 13.1.2.4): the next one closes them, so they do not nest. Void elements hold nothing. */
    private const FLAT = [
        'p',
        'li',
        'dt',
        'dd',
        'tr',
        'td',
        'th',
        'thead',
        'tbody',
        'tfoot',
        'colgroup',
        'option',
        'optgroup',
        'rt',
        'rp',
        'area',
        'base',
        'br',
        'col',
        'embed',
        'hr',
        'img',
        'input',
        'link',
        'meta',
        'source',
        'track',
        'wbr',
    ];

    /** @return string|null what is exceeded, in words; null when all is well */
    public static function exceeded(string $html): ?string
    {
        if (substr_count($html, '<') <= self::DEPTH && substr_count($html, '=') <= self::ATTRIBUTES) {
            return null;
        }
        $depth = $elements = 0;
        $offset = 0;
        while (preg_match('~<(/?)([A-Za-z][A-Za-z0-9:-]*)([^<>]*)(>?)~', $html, $tag, PREG_OFFSET_CAPTURE, $offset) === 1) {
            $offset = $tag[0][1] + strlen($tag[0][0]);
            if (substr_count($tag[3][0], '=') > self::ATTRIBUTES) {
                return Message::of('content.tag-more-attributes', ['attributes' => self::ATTRIBUTES]);
            }
            $isEnd = $tag[1][0] === '/';
            $isFlat = str_ends_with($tag[3][0], '/') || in_array(strtolower($tag[2][0]), self::FLAT, true);
            $depth = $isFlat ? $depth : max(0, $depth + ($isEnd ? -1 : 1));
            if ($depth > self::DEPTH) {
                return Message::of('content.more-levels', ['depth' => self::DEPTH]);
            }
            if (! $isEnd && ++$elements > self::ELEMENTS) {
                return Message::of('content.more-elements', ['elements' => self::ELEMENTS]);
            }
        }

        return null;
    }
}
