<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Slider;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\NotScorable;
use WideQuarry\Variables\Roll;

/** The values a slider can be set to: from, from + step … up to `to`. */
final readonly class Scale
{
    private function __construct(public BigRational $from, public BigRational $to, public BigRational $step)
    {
    }

    /** @throws NotScorable|\WideQuarry\Variables\RollProblem when there is no such scale */
    public static function of(SliderSettings $settings, Roll $roll, string $path): self
    {
        $scale = new self($settings->from->number($roll), $settings->to->number($roll), $settings->step->number($roll));
        if (! $scale->isOne()) {
            throw NotScorable::unreadableNumber(Exact::text($scale->step), "$path/settings/step");
        }

        return $scale;
    }

    public function holds(BigRational $value): bool
    {
        return $value->isGreaterThanOrEqualTo($this->from) &&
            $value->isLessThanOrEqualTo($this->to) &&
            $value->minus($this->from)->dividedBy($this->step)->simplified()->getDenominator()->isEqualTo(1);
    }

    /** How many steps there are from one end to the other. */
    public function steps(): int
    {
        return $this->to->minus($this->from)->dividedBy($this->step)->toScale(0, RoundingMode::DOWN)->toInt();
    }

    private function isOne(): bool
    {
        return $this->step->isPositive() && $this->to->isGreaterThanOrEqualTo($this->from->plus($this->step));
    }
}
