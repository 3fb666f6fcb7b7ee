<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;

/** What a rule about two things names: gap and tile, left and right, item and group. */
final readonly class PairOn
{
    private function __construct(public string $first, public string $second)
    {
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path): self
    {
        if (! is_array($json) || ! array_is_list($json) || count($json) !== 2) {
            throw Malformed::wrongType($path, 'a pair of identifiers', $json);
        }

        return new self(Fields::asId($json[0], "$path/0"), Fields::asId($json[1], "$path/1"));
    }

    /** One text for the pair; identifiers hold no tabs. */
    public static function key(string $first, string $second): string
    {
        return "$first\t$second";
    }
}
