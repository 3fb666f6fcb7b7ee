<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;

/** Rules about numbers: compared by their exact values. */
final readonly class StudiedNumbers implements StudiedPart
{
    /** @param  list<array{Rule, NumberMatcher}>  $rules  those that name values or a range, best first */
    private function __construct(private array $rules)
    {
    }

    public static function of(Part $part): ?self
    {
        $rules = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof NumberMatcher && $rule->on->answer !== 'otherwise') {
                $rules[] = [$rule, $rule->on];
            }
        }
        usort($rules, fn (array $a, array $b): int => $b[0]->credit()->compareTo($a[0]->credit()));

        return $rules === [] ? null : new self($rules);
    }

    public function coincidences(ScoringContext $in): array
    {
        $found = [];
        foreach ($this->rules as $at => [$rule, $on]) {
            foreach ($on->answer === 'range' ? [] : $on->values as $value) {
                $number = $value->number($in->roll);
                foreach (array_slice($this->rules, 0, $at) as [$better, $matcher]) {
                    $isEqual = array_filter(
                        $matcher->answer === 'range' ? [] : $matcher->values,
                        fn ($other): bool => $other->number($in->roll)->isEqualTo($number),
                    ) !== [];
                    if ($isEqual || $matcher->accepts($number, $in->roll)) {
                        $what = $isEqual ? Coincidence::RULES_COINCIDE : Coincidence::MISTAKE_ACCEPTED;
                        $found["$what $better->id $rule->id"] = new Coincidence($what, $better->id, $rule->id);
                    }
                }
            }
        }

        return array_values($found);
    }

    public function keys(ScoringContext $in): array
    {
        [$rule, $on] = $this->rules[0];

        return $on->answer === 'range' || ! $rule->credit()->isPositive()
            ? []
            : array_map(fn ($value) => $value->number($in->roll), $on->values);
    }
}
