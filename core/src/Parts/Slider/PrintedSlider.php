<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Slider;

use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;
use WideQuarry\Printing\Paper;

/** A ruled line with a mark at each step, as long as there is room for them, and numbers below. */
final class PrintedSlider
{
    private const MARKS = 20;

    /** @param  array<mixed>  $presented */
    public function part(array $presented): string
    {
        $read = fn (string $name): \Brick\Math\BigRational => Exact::read(is_string($presented[$name] ?? null) ? $presented[$name] : '') ??
            Exact::zero();
        [$from, $to, $step] = [$read('from'), $read('to'), $read('step')];
        $steps = $step->isPositive() ? $to->minus($from)->dividedBy($step)->toScale(0, RoundingMode::DOWN)->toInt() : 0;
        $every = max(1, (int) ceil($steps / self::MARKS));
        $marks = '';
        for ($i = 0; $i <= $steps; $i += $every) {
            $marks .= '<li>'.Exact::number($from->plus($step->multipliedBy($i))).'</li>';
        }
        $captions = is_object($presented['captions'] ?? null) ? get_object_vars($presented['captions']) : [];
        $caption = fn (string $end): string => is_string($captions[$end] ?? null) && $captions[$end] !== ''
            ? Paper::text($captions[$end])
            : '';
        $ends =
            $caption('from').$caption('to') === ''
                ? ''
                : '<p class="ends"><span>'.$caption('from').'</span><span>'.$caption('to').'</span></p>';

        return "<div class=\"scale\"><ol>$marks</ol>$ends</div>";
    }
}
