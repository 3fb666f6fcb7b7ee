<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Random\Seed;

/** Items in an order drawn from the seed, drawn again while that order is the key's own. */
final class ShuffledItems
{
    private const TRIES = 40;

    /**
     * @param  list<Item>  $items
     * @param  list<PairTarget>  $right  in the order in which the key stands
     * @param  bool  $first  whether the items are the first of each pair
     * @return list<Item>
     */
    public static function away(Seed $seed, string $part, array $items, array $right, bool $first = false): array
    {
        $stream = $seed->stream('shuffle', $part);
        $wanted = self::ranks($right, $first);
        for ($try = 0; $try < self::TRIES; $try++) {
            $items = $stream->shuffled($items);
            if (! self::runsOn($items, $wanted)) {
                break;
            }
        }

        return $items;
    }

    /**
     * What is asked for in the order of the key: the second things in the order of the pairs, or the first ones by the group they go to.
     *
     * @param  list<PairTarget>  $right
     * @return array<string, int>
     */
    private static function ranks(array $right, bool $first): array
    {
        $groups = [];
        $ranks = [];
        foreach ($right as $i => $pair) {
            $ranks['='.($first ? $pair->first : $pair->second)] ??= $first ? ($groups["=$pair->second"] ??= count($groups)) : $i;
        }

        return $ranks;
    }

    /**
     * @param  list<Item>  $items
     * @param  array<string, int>  $ranks
     */
    private static function runsOn(array $items, array $ranks): bool
    {
        $shown = array_values(array_filter(array_map(fn (Item $item): ?int => $ranks["=$item->id"] ?? null, $items), is_int(...)));
        $sorted = $shown;
        sort($sorted);

        return $shown === $sorted;
    }
}
