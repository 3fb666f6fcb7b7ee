<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Random\Stream;

/**
 * Orders of n things in which, as far as there are such orders, no two things are neighbours twice and nothing has the same place twice.
 *
 * The zigzag 0, 1, n−1, 2, n−2 … moved on by 0, 1, 2 … (all mod n) gives ⌊n/2⌋ orders without a common pair of neighbours, as
 * many as there can be (Walecki's decomposition of the complete graph, in Lucas, Récréations mathématiques, 1892, volume 2): neighbours add
 * up to 2i or 2i + 1 in order i. After those, whatever has the fewest pairs in common with the orders before it.
 */
final class UnitOrders
{
    /** So many orders are looked at when the zigzag has no more. */
    private const TRIES = 60;

    /** Up to so many things every order is looked at. */
    private const SMALL = 5;

    /** @var list<list<int>> */
    private array $orders = [];

    /** @var array<int, int> pair of neighbours → how many orders have it */
    private array $pairs = [];

    /** @var list<int> what stands for 0, 1, 2 … */
    private readonly array $names;

    public function __construct(private readonly int $count, private readonly Stream $stream)
    {
        $this->names = $stream->shuffled($count === 0 ? [] : range(0, $count - 1));
    }

    /** @return list<int> the next order */
    public function next(): array
    {
        $i = count($this->orders);
        $order = $i === 0 || $i < intdiv($this->count, 2) ? $this->zigzag($i) : $this->best();
        $this->orders[] = $order;
        foreach (self::neighbours($order, $this->count) as $pair) {
            $this->pairs[$pair] = ($this->pairs[$pair] ?? 0) + 1;
        }

        return $order;
    }

    /** @return list<int> */
    private function zigzag(int $by): array
    {
        $order = [];
        for ($k = 0; $k < $this->count; $k++) {
            $step = intdiv($k + 1, 2);
            $at = ($k % 2 === 1 ? $step : $this->count - $step) + $by;
            $order[] = $this->names[$at % $this->count];
        }

        return $order;
    }

    /** @return list<int> one that was not there yet, where there is one, with the fewest neighbours and places in common */
    private function best(): array
    {
        $candidates = [];
        if ($this->count <= self::SMALL) {
            $candidates = $this->stream->shuffled(self::permutations($this->names));
        } else {
            for ($try = 0; $try < self::TRIES; $try++) {
                $candidates[] = $this->stream->shuffled($this->names);
            }
        }
        $best = $candidates[0];
        $least = PHP_INT_MAX;
        foreach ($candidates as $candidate) {
            $cost = $this->cost($candidate);
            if ($cost < $least) {
                [$best, $least] = [$candidate, $cost];
            }
        }

        return $best;
    }

    /** @param  list<int>  $order */
    private function cost(array $order): int
    {
        $cost = 0;
        foreach (self::neighbours($order, $this->count) as $pair) {
            $cost += 4 * ($this->pairs[$pair] ?? 0);
        }
        foreach ($this->orders as $other) {
            $same = count(array_filter($order, fn (int $thing, int $at): bool => $other[$at] === $thing, ARRAY_FILTER_USE_BOTH));
            $cost += $same === $this->count ? 1_000_000 : $same;
        }

        return $cost;
    }

    /**
     * @param  list<int>  $order
     * @return list<int> a number for each pair, whichever comes first
     */
    private static function neighbours(array $order, int $count): array
    {
        $pairs = [];
        for ($i = 1; $i < count($order); $i++) {
            $pairs[] = min($order[$i - 1], $order[$i]) * $count + max($order[$i - 1], $order[$i]);
        }

        return $pairs;
    }

    /**
     * @param  list<int>  $things
     * @return non-empty-list<list<int>>
     */
    private static function permutations(array $things): array
    {
        if (count($things) < 2) {
            return [$things];
        }
        $all = [];
        foreach ($things as $i => $thing) {
            foreach (self::permutations([...array_slice($things, 0, $i), ...array_slice($things, $i + 1)]) as $rest) {
                $all[] = [$thing, ...$rest];
            }
        }

        return $all;
    }
}
