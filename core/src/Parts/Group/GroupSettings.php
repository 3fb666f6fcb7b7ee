<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class GroupSettings
{
    /**
     * @param  list<Item>  $items
     * @param  list<Item>  $groups  each with how many items it holds
     */
    private function __construct(public array $items, public array $groups, public bool $shuffle)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['items', 'groups', 'shuffle']);

        return new self(Item::list($fields, 'items', $path), Item::list($fields, 'groups', $path, 'max'), $fields->bool('shuffle', true));
    }
}
