<?php

declare(strict_types=1);

namespace WideQuarry\Media;

/** How large a medium may be: the one place that says so, to the server, to the person and to the programs that work on it. */
final class MediaLimits
{
    /** Bytes by the first half of a type. A request holds a file whole, within 256 MB. */
    public const BYTES = ['image' => 25_000_000, 'audio' => 60_000_000, 'video' => 100_000_000, 'text' => 1_000_000];

    /** Above so many bytes a file is sent in pieces, so that a line that drops costs one piece. */
    public const AT_ONCE = 8_000_000;

    public const PIXELS = 40_000_000;

    /** Of one side; what claims more claims it to do harm. */
    public const SIDE = 20_000;

    public const FRAMES = 500;

    public const SECONDS = 3600;

    /** SVG: elements, and elements once every <use> is followed. */
    public const ELEMENTS = 20_000;

    public const DRAWN = 200_000;

    public const NAME = 200;

    public const ALT = 2000;

    /** Widths in pixels that are made of a wider picture. */
    public const WIDTHS = [480, 960, 1920];

    /** @return list<int> the widths made of a picture of this one */
    public static function widths(string $type, ?int $width): array
    {
        return $width === null || $type === 'image/svg+xml' || $type === 'image/gif' // moving pictures are left alone
            ? []
            : array_values(array_filter(self::WIDTHS, fn (int $one): bool => $one < $width));
    }
}
