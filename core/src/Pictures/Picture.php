<?php

declare(strict_types=1);

namespace WideQuarry\Pictures;

use Brick\Math\BigRational;
use WideQuarry\Content\Filling;
use WideQuarry\Geometry\Box;
use WideQuarry\Geometry\Point;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** The picture a part is about. Places on it are in its own units, whatever the size it is shown at. */
final readonly class Picture
{
    private const MOST = 20000;

    private function __construct(public string $media, public string $alt, public int $width, public int $height)
    {
    }

    /**
     * @return self|null null while none is chosen
     *
     * @throws Malformed
     */
    public static function read(Fields $settings): ?self
    {
        if ($settings->raw('picture') === null) {
            return null;
        }
        $fields = $settings->object('picture', ['media', 'alt', 'width', 'height'])->need('alt')->need('width')->need('height');

        return new self(
            $fields->id('media'),
            $fields->string('alt'),
            $fields->int('width', 0, 1, self::MOST),
            $fields->int('height', 0, 1, self::MOST),
        );
    }

    public function box(): Box
    {
        return new Box(Point::of('0', '0'), new Point(BigRational::of($this->width), BigRational::of($this->height)));
    }

    /** Its description with the values of a roll. */
    public function filled(Filling $values): self
    {
        return new self($this->media, $values->text($this->alt), $this->width, $this->height);
    }

    /** @param  array<mixed>  $part  the part as it was presented, with what shown() gave */
    public function presented(array $part): self
    {
        $alt = is_array($part['picture'] ?? null) ? $part['picture']['alt'] ?? null : null;

        return new self($this->media, is_string($alt) ? $alt : $this->alt, $this->width, $this->height);
    }

    /** @return array{media: string, alt: string, width: int, height: int} */
    public function shown(): array
    {
        return ['media' => $this->media, 'alt' => $this->alt, 'width' => $this->width, 'height' => $this->height];
    }
}
