<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Match;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Question\Item;

final readonly class MatchSettings
{
    /**
     * @param  list<Item>  $left  each with how often it may be joined
     * @param  list<Item>  $right
     * @param  string  $by  lines, menus or grid
     */
    private function __construct(public array $left, public array $right, public string $by, public bool $shuffle)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        $fields = Fields::of($json, $path, ['left', 'right', 'by', 'shuffle']);

        return new self(
            Item::list($fields, 'left', $path, 'uses', 1),
            Item::list($fields, 'right', $path, 'uses', 1),
            $fields->oneOf('by', ['lines', 'menus', 'grid'], 'lines'),
            $fields->bool('shuffle', true),
        );
    }
}
