<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Menu;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class MenuSettings
{
    /** @param  list<Item>  $options */
    private function __construct(public array $options, public bool $shuffle)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['options', 'shuffle']);

        return new self(Item::list($fields, 'options', $path), $fields->bool('shuffle', false));
    }
}
