<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Recognition;

/** Tells questions within a question from options: both are lettered. */
final class Parts
{
    /** @param  list<Item>  $items */
    public static function are(array $items): bool
    {
        if (count($items) < 1 || in_array($items[0]->label?->type, ['bullet', 'box'], true)) {
            return false;
        }
        $certain = array_filter($items, self::isQuestion(...));
        if (count($items) === 1) {
            return $certain !== [];
        }
        $isUpper = $items[0]->label?->type === 'upper';
        $asking = array_filter($items, fn (Item $item): bool => LineKinds::asks($item->words->text()));

        return count($certain) * 2 > count($items) || (! $isUpper && count($asking) * 3 >= count($items) * 2);
    }

    /** Has what only a question has: points, options or an answer of its own, lines to write on. */
    public static function isQuestion(Item $item): bool
    {
        return $item->items !== [] || $item->points !== null || $item->answers !== [] || $item->space > 0 ||
            (LineKinds::asks($item->words->text()) &&
                preg_match('/\?\s*$|_{3,}/u', $item->words->text()) === 1 &&
                $item->label?->type !== 'upper');
    }
}
