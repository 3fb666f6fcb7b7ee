<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use WideQuarry\Converting\Draft;

/** A picture that goes from the text of a question into one of its parts, and back. */
final class PictureInText
{
    /** How large a picture counts that does not say it. */
    private const USUAL = [800, 600];

    /** The first picture of the text, taken out of it. @return \stdClass|null media, alt, width, height */
    public static function taken(Draft $draft): ?\stdClass
    {
        if (preg_match('~<img\b[^>]*\bdata-media="([^"]*)"[^>]*>~', $draft->body(), $m) !== 1) {
            return null;
        }
        $text = fn (string $name): string => preg_match("~\\b$name=\"([^\"]*)\"~", $m[0], $one) === 1
            ? html_entity_decode($one[1], ENT_QUOTES | ENT_HTML5)
            : '';
        $size = [(int) $text('width'), (int) $text('height')];
        foreach (['<p>%s</p>', '<figure>%s</figure>', '%s'] as $around) {
            $place = sprintf($around, $m[0]);
            if (str_contains($draft->body(), $place)) {
                $draft->put($place, '');
                break;
            }
        }
        [$width, $height] = $size[0] > 0 && $size[1] > 0 ? $size : self::USUAL;

        return (object) [
            'media' => html_entity_decode($m[1], ENT_QUOTES | ENT_HTML5),
            'alt' => mb_substr($text('alt'), 0, 1000),
            'width' => min(20000, $width),
            'height' => min(20000, $height),
        ];
    }

    /** Puts the picture of a part's settings right above its place. */
    public static function above(Draft $draft, \stdClass $settings, string $part): void
    {
        $picture = $settings->picture ?? null;
        if (! ($picture instanceof \stdClass) || ! is_string($picture->media ?? null)) {
            return;
        }
        $alt = is_string($picture->alt ?? null) ? $picture->alt : '';
        $size = array_map(
            fn (string $side): string => is_int($picture->{$side} ?? null) ? " $side=\"{$picture->{$side}}\"" : '',
            ['height', 'width'],
        );
        $html = '<p><img alt="'.htmlspecialchars($alt, ENT_COMPAT).'" data-media="'.
            htmlspecialchars($picture->media, ENT_COMPAT)."\"$size[0]$size[1]></p>";
        $draft->put(Draft::blockPlace($part), $html.Draft::blockPlace($part));
    }

    /**
     * Places in rows, for an author to move: as many as there are names.
     *
     * @return list<array{int, int}>
     */
    public static function rows(?\stdClass $picture, int $count): array
    {
        $side = fn (mixed $size, int $usual): int => is_int($size) ? $size : $usual;
        $width = $side($picture->width ?? null, self::USUAL[0]);
        $height = $side($picture->height ?? null, self::USUAL[1]);
        $columns = max(1, (int) ceil(sqrt($count)));
        $lines = max(1, (int) ceil($count / $columns));

        return array_map(
            fn (int $i): array => [
                intdiv($width * (2 * ($i % $columns) + 1), 2 * $columns),
                intdiv($height * (2 * intdiv($i, $columns) + 1), 2 * $lines),
            ],
            $count === 0 ? [] : range(0, $count - 1),
        );
    }
}
