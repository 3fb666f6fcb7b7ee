<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Answer\Tolerance;
use WideQuarry\Answer\ToleranceKind;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;

/** Rules about numbers as expressions of response processing (QTI 3.0 ASI, 2.11). */
final readonly class NumberConditions
{
    public function __construct(private Roll $roll, private ?TemplateWriter $templates = null)
    {
    }

    /**
     * @param  string  $variable  the expression for what was given
     * @return string|null null when the rule matches anything
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function of(NumberMatcher $rule, string $variable): ?string
    {
        if ($rule->answer === 'range') {
            return $this->range($rule, $variable);
        }
        [$name, $attributes] = $this->comparison($rule->tolerance);
        // a relative tolerance is taken of what comes first
        $tests = array_map(fn (Value $value): string => "<$name $attributes>".$this->value($value)."$variable</$name>", $rule->values);

        return count($tests) > 1 ? '<qti-or>'.implode('', $tests).'</qti-or>' : $tests[0] ?? null;
    }

    private function range(NumberMatcher $rule, string $variable): ?string
    {
        $tests = [];
        if ($rule->from !== null) {
            $name = in_array($rule->ends, ['both', 'from'], true) ? 'qti-gte' : 'qti-gt';
            $tests[] = "<$name>$variable".$this->value($rule->from)."</$name>";
        }
        if ($rule->to !== null) {
            $name = in_array($rule->ends, ['both', 'to'], true) ? 'qti-lte' : 'qti-lt';
            $tests[] = "<$name>$variable".$this->value($rule->to)."</$name>";
        }

        return count($tests) === 2 ? '<qti-and>'.implode('', $tests).'</qti-and>' : $tests[0] ?? null;
    }

    private function value(Value $value): string
    {
        if ($this->templates !== null) {
            return $this->templates->value($value, $this->roll);
        }

        return '<qti-base-value base-type="float">'.ScoreFloats::float($value->number($this->roll)).'</qti-base-value>';
    }

    /** @return array{string, string} element and attributes */
    private function comparison(?Tolerance $tolerance): array
    {
        if ($tolerance === null) {
            return ['qti-equal', 'tolerance-mode="exact"'];
        }
        $width = fn (): string => ScoreFloats::float($tolerance->width->number($this->roll)->abs());

        return match ($tolerance->kind) {
            ToleranceKind::Absolute => ['qti-equal', 'tolerance-mode="absolute" tolerance="'.$width().'"'],
            ToleranceKind::Percent => ['qti-equal', 'tolerance-mode="relative" tolerance="'.$width().'"'],
            ToleranceKind::Places => ['qti-equal-rounded', "rounding-mode=\"decimalPlaces\" figures=\"$tolerance->digits\""],
            ToleranceKind::Figures => ['qti-equal-rounded', "rounding-mode=\"significantFigures\" figures=\"$tolerance->digits\""],
        };
    }
}
