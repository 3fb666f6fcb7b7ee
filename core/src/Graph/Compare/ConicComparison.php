<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Conic;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Plane;
use WideQuarry\Numbers\Exact;

/**
 * Conics: circles by centre and radius, ellipses and hyperbolas by their foci and axis, parabolas along the part that the grid shows.
 * Without a tolerance by their equations alone.
 */
final readonly class ConicComparison
{
    private BigRational $squared;

    public function __construct(private Grid $grid, private BigRational $tolerance)
    {
        $this->squared = $tolerance->multipliedBy($tolerance);
    }

    public function areSame(Conic $wanted, Conic $given, Figure $drawn, Figure $other): bool
    {
        if ($wanted->form !== $given->form) {
            return false;
        }
        if ($this->tolerance->isZero() || $wanted->is($given)) {
            return $wanted->is($given);
        }
        if ($wanted->form === 'parabola') {
            [$one, $two] = [Path::of($drawn), Path::of($other)];

            return $one !== null && $two !== null && (new CurveComparison($this->grid, $this->tolerance))->areSame($one, $two);
        }

        return $this->fociAreNear($wanted->foci, $given->foci) && $this->axesAreNear($wanted, $given);
    }

    private function axesAreNear(Conic $wanted, Conic $given): bool
    {
        [$one, $other] = [$wanted->halfAxis(), $given->halfAxis()];

        return Exact::compare($one->minus($other)->abs(), $this->grid->length($this->tolerance)) <= 0;
    }

    /**
     * @param  list<Point>  $wanted
     * @param  list<Point>  $given
     */
    private function fociAreNear(array $wanted, array $given): bool
    {
        $one = $this->grid->allInSteps($wanted);
        $other = $this->grid->allInSteps($given);
        $isNear = fn (int $i, int $j): bool => Plane::isNear($one[$i], $other[$j], $this->squared);

        return count($one) === 1
            ? $isNear(0, 0)
            : ($isNear(0, 0) && $isNear(1, 1)) || ($isNear(0, 1) && $isNear(1, 0));
    }
}
