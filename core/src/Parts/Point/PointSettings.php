<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Pictures\Picture;

final readonly class PointSettings
{
    /** @param  int|null  $max  null: as many as one likes */
    private function __construct(public ?Picture $picture, public ?int $max)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['picture', 'max']);

        return new self(Picture::read($fields), $fields->intOrNull('max', 1, 1, 1000));
    }
}
