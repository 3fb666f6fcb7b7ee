<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti2;

use WideQuarry\Interchange\Medium;

/**
 * Pictures of graphic interactions as 2.x has them: objects (QTI 2.1 information model, 7.4). In 2.1 a label can only be a picture, so
 * words become a small drawing of them.
 */
final class GraphicObjects
{
    private const INTERACTIONS = 'hotspot|selectPoint|graphicGapMatch';

    public static function in(string $xml, bool $hasWords): string
    {
        $xml = (string) preg_replace_callback(
            '~(<(?:'.self::INTERACTIONS.')Interaction\b[^>]*>)<img\b([^>]*)/>~',
            fn (array $m): string => $m[1].self::object($m[2]),
            $xml,
        );
        $xml = (string) preg_replace_callback(
            '~<gapImg\b([^>]*)><img\b([^>]*)/></gapImg>~',
            fn (array $m): string => "<gapImg$m[1] objectLabel=\"".self::attribute($m[2], 'alt').'">'.self::object($m[2]).'</gapImg>',
            $xml,
        );

        return $hasWords ? $xml : (string) preg_replace_callback(
            '~<graphicGapMatchInteraction\b.*?</graphicGapMatchInteraction>~s',
            fn (array $m): string => (string) preg_replace_callback(
                '~<gapText\b([^>]*)>(.*?)</gapText>~s',
                fn (array $one): string => "<gapImg$one[1] objectLabel=\"".str_replace('"', '&quot;', $one[2]).'">'.
                    self::drawn($one[2]).'</gapImg>',
                $m[0],
            ),
            $xml,
        );
    }

    private static function object(string $attributes): string
    {
        $sizes = '';
        foreach (['width', 'height'] as $side) {
            $size = self::attribute($attributes, $side);
            $sizes .= $size === '' ? '' : " $side=\"$size\"";
        }
        $from = self::attribute($attributes, 'src');

        $type = Medium::typeNamed($from, 'image');

        return "<object data=\"$from\" type=\"$type\"$sizes>".self::attribute($attributes, 'alt').'</object>';
    }

    /** @param  string  $words  escaped */
    private static function drawn(string $words): string
    {
        $width = 20 + 10 * mb_strlen(html_entity_decode($words, ENT_QUOTES | ENT_XML1));
        $svg = "<svg xmlns=\"http://www.w3.org/2000/svg\" width=\"$width\" height=\"32\">".
            '<text x="50%" y="21" font-family="sans-serif" font-size="16" text-anchor="middle">'.
            $words.
            '</text></svg>';

        return '<object data="data:image/svg+xml,'.rawurlencode($svg).
            "\" type=\"image/svg+xml\" width=\"$width\" height=\"32\">$words</object>";
    }

    private static function attribute(string $attributes, string $name): string
    {
        return preg_match("~ $name=\"([^\"]*)\"~", $attributes, $m) === 1 ? $m[1] : '';
    }
}
