<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Key;
use WideQuarry\Question\Rule;

/** The rule with the highest credit among those that match decides; the first of equals. */
final class TypedOutcome
{
    /**
     * @param  list<Rule>  $matching  in the order of the key
     * @param  list<array<string, mixed>>  $trace
     *
     * @throws \WideQuarry\Question\NotScorable
     */
    public static function of(array $matching, Key $key, array $trace): PartOutcome
    {
        $best = $matching;
        usort($best, fn (Rule $a, Rule $b): int => $b->credit()->compareTo($a->credit())); // stable since PHP 8.0
        if ($best === []) {
            $trace[] = ['step' => 'default.applied', 'times' => 1, 'credit' => Exact::text($key->default())];

            return PartOutcome::given($key->default(), [], $trace);
        }
        $trace[] = ['step' => 'rule.matched', 'rule' => $best[0]->id, 'credit' => Exact::text($best[0]->credit())];

        return PartOutcome::given($best[0]->credit(), [$best[0]], $trace, $best);
    }
}
