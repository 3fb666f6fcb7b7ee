<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Json\Fields;

/** Where an entry stands when the questions of its section are shuffled. */
enum EntryPlace: string
{
    case First = 'first';
    case Anywhere = 'anywhere';
    case Last = 'last';

    /** @throws \WideQuarry\Json\Malformed */
    public static function read(Fields $entry): self
    {
        return self::from($entry->oneOf('place', array_column(self::cases(), 'value'), self::Anywhere->value));
    }
}
