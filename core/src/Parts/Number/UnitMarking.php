<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\NumberReading;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Key;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Scoring\TypedOutcome;
use WideQuarry\Units\Unit;
use WideQuarry\Variables\ValueFormat;

/**
 * What a number with a unit earns. The number is compared in the key's unit; what is the matter with the unit leaves a share of what the
 * number earns, and has feedback of its own.
 */
final readonly class UnitMarking
{
    public function __construct(private UnitPolicy $policy, private ?FiguresPolicy $figures, private Key $key, private ScoringContext $in)
    {
    }

    /** @param  list<array<string, mixed>>  $trace */
    public function outcome(Quantity $given, array $trace): PartOutcome
    {
        $key = $this->policy->isAsked() ? $this->policy->keyUnit() : null;
        if ($key === null || ($given->unit === null && $this->policy->policy === 'optional') || $given->unit?->isSame($key) === true) {
            return $this->scored($given->number->alone(), $given, null, $key, $trace);
        }
        if ($given->unit === null) {
            return $this->scored($given->number->alone(), $given, 'missing', $key, $trace);
        }
        if (! $given->unit->dimension->equals($key->dimension)) {
            return $this->scored($given->number->alone(), $given, 'wrong', $key, $trace);
        }

        return $this->converted($given, $key, $trace);
    }

    /** @param  list<array<string, mixed>>  $trace */
    private function converted(Quantity $given, Unit $key, array $trace): PartOutcome
    {
        assert($given->unit !== null);
        $number = $given->in($key);
        $said = ValueFormat::plain()->write($number->value ?? Exact::zero(), $this->in->language);
        $step = ['step' => 'unit.converted', 'from' => $given->understood(), 'to' => "$said\u{A0}$key->symbol"];
        $converted = $this->scored($number, $given, $this->policy->other === 'convert' ? null : 'other', $key, [...$trace, $step]);
        $matches = array_filter($this->matching($number), fn (Rule $rule): bool => $rule->credit()->isPositive()) !== [];
        if ($matches || ! $given->unit->differsByPrefix($key)) {
            return $converted;
        }
        $asTyped = array_filter($this->matching($given->number->alone()), fn (Rule $rule): bool => $rule->credit()->isPositive());

        return $asTyped === [] ? $converted : $this->scored($given->number->alone(), $given, 'prefix', $key, $trace);
    }

    /**
     * @param  string|null  $matter  what is the matter with the unit
     * @param  list<array<string, mixed>>  $trace
     */
    private function scored(NumberReading $number, Quantity $given, ?string $matter, ?Unit $key, array $trace): PartOutcome
    {
        $share = Exact::one();
        $remarks = [];
        if ($matter !== null) {
            $share = $matter === 'other' && $this->policy->other === 'refuse' ? Exact::zero() : $this->policy->credit($matter);
            $trace[] = [
                'step' => "unit.$matter",
                'given' => $given->unit->symbol ?? '',
                'unit' => $key->symbol ?? '',
                'share' => Exact::text($share),
            ];
            $remarks["unit:$matter"] = $this->policy->feedback($matter);
        }
        $matching = $this->matching($number);
        $earns = array_filter($matching, fn (Rule $rule): bool => $rule->credit()->isPositive()) !== [];
        if ($earns && $this->figures !== null && ! $this->figures->fits($given->number)) {
            $share = Exact::times($share, $this->figures->credit());
            $trace[] = ['step' => 'figures.other', 'wanted' => $this->figures->digits, 'share' => Exact::text($this->figures->credit())];
            $remarks['figures'] = $this->figures->feedback;
        }

        return TypedOutcome::of($this->sharing($matching, $share), $this->key, $trace)->withRemarks(array_filter($remarks));
    }

    /**
     * @param  list<Rule>  $matching
     * @return list<Rule> earning a share of what they earn; feedback of the key shows only where something is left
     */
    private function sharing(array $matching, BigRational $share): array
    {
        if (Exact::isAll($share)) {
            return $matching;
        }

        return array_map(function (Rule $rule) use ($share): Rule {
            $credit = $rule->credit()->isPositive() ? Exact::times($rule->credit(), $share) : $rule->credit();
            $less = $rule->earning(Exact::text($credit));

            return $credit->isZero() && $rule->credit()->isPositive() ? $less->silent() : $less;
        }, $matching);
    }

    /** @return list<Rule> */
    private function matching(NumberReading $number): array
    {
        $matches = fn (Rule $rule): bool => $rule->on instanceof NumberMatcher && $rule->on->matches($number, $this->in->roll);

        return array_values(array_filter($this->key->rules, $matches));
    }
}
