<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/**
 * The part of a picture that is shown, in its own pixels, as data-view="left top width height of-width of-height"; the file stays whole.
 * The size of the whole stands with it, so that nobody needs the file to know the shape, and another file in its place is cut alike.
 */
final readonly class PictureView
{
    private const MOST = 100_000;

    private function __construct(
        public int $left,
        public int $top,
        public int $width,
        public int $height,
        public int $ofWidth,
        public int $ofHeight,
    ) {
    }

    /** @return self|null null for anything that is no part of a picture, and for the whole of it */
    public static function read(string $value): ?self
    {
        if (preg_match('/^(\d{1,6}) (\d{1,6}) (\d{1,6}) (\d{1,6}) (\d{1,6}) (\d{1,6})$/D', $value, $m) !== 1) {
            return null;
        }
        [$left, $top, $width, $height, $ofWidth, $ofHeight] = array_map(intval(...), array_slice($m, 1));
        $fits =
            min($width, $height) >= 1 &&
            max($ofWidth, $ofHeight) <= self::MOST &&
            $left + $width <= $ofWidth &&
            $top + $height <= $ofHeight;

        return $fits && [$width, $height] !== [$ofWidth, $ofHeight] ? new self($left, $top, $width, $height, $ofWidth, $ofHeight) : null;
    }

    public function written(): string
    {
        return "$this->left $this->top $this->width $this->height $this->ofWidth $this->ofHeight";
    }

    /**
     * A box that shows no more, as CSS for it and for the picture in it: percentages are of the width of the box, so it is right at every
     * size.
     *
     * @return array{box: string, picture: string}
     */
    public function css(): array
    {
        $percent = fn (int $part): string => rtrim(rtrim(number_format($part / $this->width * 100, 4, '.', ''), '0'), '.').'%';

        return [
            'box' => "aspect-ratio:$this->width/$this->height",
            'picture' => "width:{$percent($this->ofWidth)};margin-left:-{$percent($this->left)};margin-top:-{$percent($this->top)}",
        ];
    }
}
