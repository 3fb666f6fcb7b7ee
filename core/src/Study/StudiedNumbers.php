<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\Roll;

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
        $intervals = [];
        foreach ($this->rules as $at => [$rule, $on]) {
            foreach ($on->answer === 'range' ? [] : $on->values as $i => $value) {
                $number = $value->number($in->roll);
                $intervals[$at] ??= $on->intervals($in->roll);
                [$from, $to] = $intervals[$at][$i];
                foreach (array_slice($this->rules, 0, $at) as $than => [$better, $matcher]) {
                    $intervals[$than] ??= $matcher->intervals($in->roll);
                    $what = self::meets($number, $from ?? $number, $to ?? $number, $matcher, $intervals[$than], $in->roll);
                    if ($what !== null) {
                        $found["$what $better->id $rule->id"] = new Coincidence($what, $better->id, $rule->id);
                    }
                }
            }
        }

        return array_values($found);
    }

    /**
     * How a number meets a better rule. One that is the same but is accepted from further away is no accident: it earns part of the
     * points for an answer that is less near.
     *
     * @param  list<array{BigRational|null, BigRational|null, 'both'|'from'|'to'|'none'}>  $intervals  of the better rule
     */
    private static function meets(
        BigRational $number,
        BigRational $from,
        BigRational $to,
        NumberMatcher $better,
        array $intervals,
        Roll $roll,
    ): ?string {
        foreach ($better->answer === 'range' ? [] : $better->values as $i => $value) {
            if ($value->number($roll)->isEqualTo($number)) {
                [$low, $high] = $intervals[$i];
                $isWider = ($low !== null && $from->isLessThan($low)) || ($high !== null && $to->isGreaterThan($high));

                return $isWider ? null : Coincidence::RULES_COINCIDE;
            }
        }

        return NumberMatcher::isWithin($number, $intervals) ? Coincidence::MISTAKE_ACCEPTED : null;
    }

    public function keys(ScoringContext $in): array
    {
        [$rule, $on] = $this->rules[0];

        return $on->answer === 'range' || ! $rule->credit()->isPositive()
            ? []
            : array_map(fn ($value) => $value->number($in->roll), $on->values);
    }
}
