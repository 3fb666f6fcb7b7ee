<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Graph\Grid;
use WideQuarry\Numbers\Exact;

/**
 * Compares curves that have one y for each x, at every half step that the grid shows. Without a tolerance they must have the same values,
 * at places in between as well; with one, each point of the one must have a point of the other no farther away than that.
 */
final readonly class CurveComparison
{
    /** Where both are looked at: more than any grid has half steps that can be told apart. */
    private const MOST_PLACES = 200;

    /** Places that no formula is likely to be written for. */
    private const BETWEEN = 29;

    /** Values that are not exact have 30 figures, of which the last few are in doubt. */
    private const DOUBT = '1e-25';

    /** A circle is looked at in these ways, so that what is near is found up to 5 % of the tolerance. */
    private const WAYS = [
        ['1', '0'], ['4/5', '3/5'], ['3/5', '4/5'], ['0', '1'], ['-3/5', '4/5'], ['-4/5', '3/5'],
        ['-1', '0'], ['-4/5', '-3/5'], ['-3/5', '-4/5'], ['0', '-1'], ['3/5', '-4/5'], ['4/5', '-3/5'],
    ];

    public function __construct(private Grid $grid, private BigRational $tolerance)
    {
    }

    public function areSame(Path $one, Path $other): bool
    {
        foreach ($one->ends() as $i => $end) {
            if (! $this->endsAreNear($end, $other->ends()[$i], $i === 0)) {
                return false;
            }
        }
        if ($one->isBuiltAs($other)) {
            return true;
        }
        foreach ($this->places($one, $other) as $x) {
            [$a, $b] = [$one->at($x), $other->at($x)];
            if (! $this->agree($x, $a, $b, $one, $other)) {
                return false;
            }
        }

        return true;
    }

    private function agree(BigRational $x, ?BigRational $a, ?BigRational $b, Path $one, Path $other): bool
    {
        if ($a === null || $b === null) {
            return $a === $b;
        }
        $apart = $a->minus($b)->abs();
        if ($this->tolerance->isZero()) {
            $size = Exact::compare($a->abs(), Exact::one()) > 0 ? $a->abs() : Exact::one();

            return $apart->isZero() || Exact::compare($apart, $size->multipliedBy(Exact::of(self::DOUBT))) <= 0;
        }
        $axis = $this->grid->y;
        $isSeen = fn (BigRational $y): bool => $axis === null || $axis->holds($y);

        return (! $isSeen($a) && ! $isSeen($b)) ||
            Exact::compare($apart, $this->tolerance->multipliedBy($axis->step ?? Exact::one())) <= 0 ||
            (! $isSeen($a) || $this->comesNear($other, $x, $a)) && (! $isSeen($b) || $this->comesNear($one, $x, $b));
    }

    /** Whether a curve enters the circle around a point: then parts of the circle lie above it and others below. */
    private function comesNear(Path $curve, BigRational $x, BigRational $y): bool
    {
        $found = [];
        foreach (self::WAYS as [$across, $up]) {
            $at = $curve->at($x->plus($this->tolerance->multipliedBy(Exact::of($across))->multipliedBy($this->grid->x->step)));
            if ($at !== null) {
                $height = $y->plus($this->tolerance->multipliedBy(Exact::of($up))->multipliedBy($this->grid->y->step ?? Exact::one()));
                $found[Exact::compare($at, $height)] = true;
            }
        }

        return isset($found[0]) || count($found) > 1;
    }

    /** @return \Generator<BigRational> few of them are needed where the two differ */
    private function places(Path $one, Path $other): \Generator
    {
        $axis = $this->grid->x;
        [$from, $to] = [$axis->from, $axis->to];
        foreach ([$one, $other] as $path) {
            [$first, $last] = $path->ends();
            $from = $first !== null && Exact::compare($first, $from) > 0 ? $first : $from;
            $to = $last !== null && Exact::compare($last, $to) < 0 ? $last : $to;
        }
        $width = $to->minus($from);
        if (! $width->isPositive()) {
            return;
        }
        $halves = Exact::compare($axis->steps(), BigRational::of(self::MOST_PLACES / 2)) > 0 ? 1 : 2;
        foreach ($axis->lines($axis->step->dividedBy($halves)) as $x) {
            if (Exact::compare($x, $from) >= 0 && Exact::compare($x, $to) <= 0) {
                yield $x;
            }
        }
        for ($i = 1; $i < self::BETWEEN && $this->tolerance->isZero(); $i++) {
            yield $from->plus($width->multipliedBy(BigRational::nd($i, self::BETWEEN)))->simplified();
        }
    }

    /** An end where the grid ends is none. */
    private function endsAreNear(?BigRational $one, ?BigRational $other, bool $isFirst): bool
    {
        $axis = $this->grid->x;
        $seen = fn (?BigRational $end): ?BigRational => $end === null ||
            ($isFirst ? Exact::compare($end, $axis->from) <= 0 : Exact::compare($end, $axis->to) >= 0)
            ? null
            : $end;
        [$one, $other] = [$seen($one), $seen($other)];

        return $one === null || $other === null
            ? $one === $other
            : Exact::compare($one->minus($other)->abs(), $this->tolerance->multipliedBy($axis->step)) <= 0;
    }
}
