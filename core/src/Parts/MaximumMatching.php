<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Finding;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;

/** Whether every gap can have a right tile, and every item a right group, at once. */
final class MaximumMatching
{
    /**
     * How many things can be served, by augmenting paths (Kuhn 1955), each second thing as often as it may be used.
     *
     * @param  list<list<string>>  $choices  of each first thing the second things that are right
     * @param  array<string, int|null>  $limits  behind "="; null: without limit
     */
    public static function served(array $choices, array $limits): int
    {
        $taken = [];
        $served = 0;
        foreach (array_keys($choices) as $i) {
            $tried = [];
            $served += self::place($i, $choices, $limits, $taken, $tried) ? 1 : 0;
        }

        return $served;
    }

    /**
     * @param  list<PairTarget>  $right
     * @param  list<Item>  $seconds
     * @param  \Closure(Item, int): string  $says  the sentence for a second thing that so many need and that is not enough
     * @param  string  $otherwise  the sentence when no single one is to blame
     * @return list<Finding>
     */
    public static function findings(string $code, string $path, array $right, array $seconds, \Closure $says, string $otherwise): array
    {
        $choices = [];
        foreach ($right as $pair) {
            $choices["=$pair->first"][] = $pair->second;
        }
        $limits = [];
        foreach ($seconds as $item) {
            $limits["=$item->id"] = $item->limit;
        }
        if (self::served(array_values($choices), $limits) === count($choices)) {
            return [];
        }
        $findings = [];
        foreach ($seconds as $item) {
            $needed = count(array_filter($choices, fn (array $of): bool => $of === [$item->id]));
            if ($item->limit !== null && $needed > $item->limit) {
                $findings[] = Finding::blocking($code, $item->path, $says($item, $needed));
            }
        }

        return $findings === [] ? [Finding::blocking($code, $path, $otherwise)] : $findings;
    }

    /**
     * @param  list<list<string>>  $choices
     * @param  array<string, int|null>  $limits
     * @param  array<string, array<int, int>>  $taken  by second thing
     * @param  array<string, bool>  $tried
     */
    private static function place(int $i, array $choices, array $limits, array &$taken, array &$tried): bool
    {
        foreach ($choices[$i] as $id) {
            if (isset($tried["=$id"]) || ! array_key_exists("=$id", $limits)) {
                continue;
            }
            $tried["=$id"] = true;
            $of = $taken["=$id"] ?? [];
            if ($limits["=$id"] === null || count($of) < $limits["=$id"]) {
                $taken["=$id"][] = $i;

                return true;
            }
            foreach ($of as $at => $other) {
                if (self::place($other, $choices, $limits, $taken, $tried)) {
                    $taken["=$id"][$at] = $i;

                    return true;
                }
            }
        }

        return false;
    }
}
