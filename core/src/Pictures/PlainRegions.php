<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use WideQuarry\Messages\Message;

/** A picture and what is on it, where nothing but words can be shown. */
final class PlainRegions
{
    /** What a region or target is called, as rich text. @param  int  $i  its place in the list */
    public static function name(string $label, int $i): string
    {
        return htmlspecialchars($label === '' ? Message::of('pictures.region-number', ['number' => $i + 1]) : $label, ENT_NOQUOTES);
    }

    /** The picture as rich text. */
    public static function picture(?Picture $picture): string
    {
        return $picture === null
            ? ''
            : '<p><img alt="'.htmlspecialchars($picture->alt, ENT_COMPAT).'" data-media="'.htmlspecialchars($picture->media, ENT_COMPAT).
                "\" height=\"$picture->height\" width=\"$picture->width\"></p>";
    }
}
