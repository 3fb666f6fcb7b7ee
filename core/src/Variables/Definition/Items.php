<?php

declare(strict_types=1);

namespace WideQuarry\Variables\Definition;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** Things that are listed: numbers as text, words, true and false. */
final class Items
{
    /**
     * @return list<int|BigRational|string|bool>
     *
     * @throws Malformed
     */
    public static function read(Fields $fields, string $path): array
    {
        $items = [];
        foreach ($fields->list('items') as $i => $item) {
            $items[] = self::one($item, "$path/items/$i");
        }

        return $items;
    }

    /** @throws Malformed */
    public static function one(mixed $value, string $path): int|BigRational|string|bool
    {
        if (is_bool($value)) {
            return $value;
        }
        if (! is_string($value)) {
            throw Malformed::wrongType($path, Message::of('variables.number-text-words'), $value);
        }
        if (mb_strlen($value) > 1000) {
            throw Malformed::outOfRange($path, Message::of('variables.most-1000-characters'), $value);
        }
        $number = Exact::read($value);

        return $number === null ? $value : Arithmetic::tidy($number);
    }
}
