<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Tiles;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class TilesSettings
{
    /** @param  list<Item>  $tiles  each with how often it may be used */
    private function __construct(public array $tiles, public bool $shuffle)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['tiles', 'shuffle']);

        return new self(Item::list($fields, 'tiles', $path, 'uses', 1), $fields->bool('shuffle', true));
    }
}
