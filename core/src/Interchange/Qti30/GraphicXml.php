<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Package\MediaLinks;
use WideQuarry\Json\Json;

/** The picture of a graphic interaction (QTI 3.0 ASI, qti-hotspot-interaction and its like): an image or an object right inside it. */
final class GraphicXml
{
    /** Where the picture is kept once it was taken out of the item, so that it is not shown twice. */
    private const READ = 'data-picture-read';

    /** Around the picture of an interaction; what is named so does not go into the text. */
    private const HOLDER = 'qti-picture-read';

    private const WIDEST = 20000;

    /**
     * @param  \Closure(\DOMElement): string  $content
     * @return array{media: string, alt: string, width: int, height: int}|null null where there is none, or nobody knows how large it is
     */
    public static function picture(\DOMElement $interaction, \Closure $content): ?array
    {
        if (! $interaction->hasAttribute(self::READ)) {
            $interaction->setAttribute(self::READ, Json::encode(self::taken($interaction, $content)));
        }
        $picture = json_decode($interaction->getAttribute(self::READ), true);

        return is_array($picture) ? $picture : null; // @phpstan-ignore return.type
    }

    /**
     * @param  \Closure(\DOMElement): string  $content
     * @return array{media: string, alt: string, width: int, height: int}|null
     */
    private static function taken(\DOMElement $interaction, \Closure $content): ?array
    {
        foreach (Xml::children($interaction) as $shown) {
            $isPicture = in_array($shown->localName, ['img', 'object', 'picture', 'figure'], true);
            if (! $isPicture) {
                continue;
            }
            $holder = ($shown->ownerDocument ?? new \DOMDocument)->createElement(self::HOLDER);
            $holder->setAttribute(MediaLinks::MEASURED, '');
            $interaction->replaceChild($holder, $shown);
            $holder->appendChild($shown);
            $content($holder);
            $image = Xml::all($holder, 'img')[0] ?? null;
            $own = [...explode(' ', $holder->getAttribute(MediaLinks::MEASURED)), '', ''];
            $size = [
                self::pixels($image?->getAttribute('width') ?? '', $own[0]),
                self::pixels($image?->getAttribute('height') ?? '', $own[1]),
            ];
            if ($image === null || ! $image->hasAttribute('data-media') || $size[0] === null || $size[1] === null) {
                // it stays, and is shown in the text
                $interaction->replaceChild($holder->firstChild ?? $shown, $holder);

                return null;
            }

            return [
                'media' => $image->getAttribute('data-media'),
                'alt' => mb_substr(trim($image->getAttribute('alt')), 0, 1000),
                'width' => $size[0],
                'height' => $size[1],
            ];
        }

        return null;
    }

    /** As the item says it is shown, which is what its coordinates are in; else as the file has it. */
    private static function pixels(string $said, string $own): ?int
    {
        $pixels = (int) round((float) (preg_match('/^\d+(?:\.\d+)?(?:px)?$/D', trim($said)) === 1 ? $said : $own));

        return $pixels >= 1 && $pixels <= self::WIDEST ? $pixels : null;
    }

    /**
     * A picture as markup that a writer turns into an image of the package.
     *
     * @param  array{media: string, alt: string, width: int, height: int}  $picture
     */
    public static function html(array $picture): string
    {
        return '<img alt="'.Xml::escape($picture['alt']).'" data-media="'.Xml::escape($picture['media']).
            "\" height=\"$picture[height]\" width=\"$picture[width]\"/>";
    }
}
