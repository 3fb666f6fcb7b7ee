<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Pictures\Picture;
use WideQuarry\Pictures\Region;

final readonly class SpotSettings
{
    /**
     * @param  list<Region>  $regions  in the order in which they are tried
     * @param  int|null  $max  null: as many as there are
     */
    private function __construct(
        public ?Picture $picture,
        public array $regions,
        public bool $isHidden,
        public int $min,
        public ?int $max,
    ) {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['picture', 'regions', 'show', 'min', 'max']);

        return new self(
            Picture::read($fields),
            Region::list($fields, $path),
            $fields->oneOf('show', ['hidden', 'outlined'], 'outlined') === 'hidden',
            $fields->int('min', 0, 0, 1000),
            $fields->intOrNull('max', null, 1, 1000),
        );
    }

    /** @return list<string> */
    public function ids(): array
    {
        return array_map(fn (Region $region): string => $region->id, $this->regions);
    }
}
