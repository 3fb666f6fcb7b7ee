<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Rules\AtMost;

/**
 * A smaller pool in which a solution is looked for first. Questions that the same demands count are kept up to a number, of each kind
 * there is among them (points, minutes, wishes, stimulus) the same share. A test found in it is one; that there is none in it says nothing.
 */
final class Thinning
{
    /** Kept of those that the same demands count. */
    private const KEPT = 60;

    /** So many groups, over all tests, are solved as they are. */
    private const SMALL = 1500;

    /** @return Problem|null null where nothing would be left out */
    public static function of(Problem $problem, Groups $groups): ?Problem
    {
        if (count($groups->all) * $problem->tests <= self::SMALL) {
            return null;
        }
        $bound = array_filter($problem->rules, fn (Rules\Rule $rule): bool => ! $rule instanceof AtMost);
        $named = array_flip(array_map(fn (Rules\Rule $rule): string => $rule->id(), array_filter(
            $bound,
            fn (Rules\Rule $rule): bool => ! $rule instanceof Rules\Spread && ! $rule instanceof Rules\Mean,
        )));
        $pool = [];
        $byDemands = [];
        foreach ($groups->all as $i => $group) {
            if (array_intersect_key($group->keys, $named) !== []) {
                array_push($pool, ...$group->members);
            } else {
                $byDemands[Groups::demandsOf($problem, $group->one())][] = $i;
            }
        }
        foreach ($byDemands as $some) {
            array_push($pool, ...self::some($problem, $groups, $some));
        }

        return count($pool) === count($problem->pool) ? null : $problem->over($pool);
    }

    /**
     * One of each group in turn, those wished for most first.
     *
     * @param  list<int>  $places  of groups
     * @return list<Candidate>
     */
    private static function some(Problem $problem, Groups $groups, array $places): array
    {
        $order = [];
        foreach ($places as $place) {
            $wished = $problem->wishes === [] ? Exact::zero() : $problem->wishedFor($groups->all[$place]->one());
            $chance = hash_hmac('sha256', $groups->all[$place]->signature, "wq1:{$problem->seed->value}|thinned", true);
            $order[] = [$groups->all[$place]->isApart ? 1 : 0, $wished->negated()->toFloat(), $chance, $place];
        }
        sort($order);
        $kept = [];
        $most = self::KEPT * $problem->tests;
        for ($round = 0; count($kept) < $most; $round++) {
            $before = count($kept);
            foreach ($order as [, , , $place]) {
                if (count($kept) < $most && $round < $groups->all[$place]->size()) {
                    $kept[] = $groups->some($place, 1, $round)[0];
                }
            }
            if (count($kept) === $before) {
                break;
            }
        }

        return $kept;
    }
}
