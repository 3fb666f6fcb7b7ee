<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Plane;
use WideQuarry\Numbers\Exact;

/** Lines, rays, and the straight boundaries of inequalities: by how far they are apart at most, as far as the grid shows them. */
final readonly class LineComparison
{
    private BigRational $squared;

    public function __construct(private Grid $grid, BigRational $tolerance)
    {
        $this->squared = $tolerance->multipliedBy($tolerance);
    }

    public function areSame(Figure $wanted, Figure $given): bool
    {
        $isRay = $wanted->kind === FigureKind::Ray;
        [$a, $b] = $this->grid->allInSteps($wanted->points);
        [$c, $d] = $this->grid->allInSteps($given->points);
        if ($isRay && (! Plane::isNear($a, $c, $this->squared) || ! Plane::dot($a, $b, $c, $d)->isPositive())) {
            return false;
        }
        if ($this->squared->isZero()) {
            return Point::turn($a, $b, $c) === 0 && Point::turn($a, $b, $d) === 0;
        }

        return $this->liesAlong([$a, $b], [$c, $d], $isRay) && $this->liesAlong([$c, $d], [$a, $b], $isRay);
    }

    /**
     * Whether the visible part of one is near the other line; it is farthest at its ends.
     *
     * @param  array{Point, Point}  $one
     * @param  array{Point, Point}  $other
     */
    private function liesAlong(array $one, array $other, bool $isRay): bool
    {
        $visible = $this->grid->visible($one[0], $one[1], $isRay) ?? $one;
        foreach ($visible as $end) {
            if (Exact::compare(Plane::squaredDistanceToLine($end, ...$other), $this->squared) > 0) {
                return false;
            }
        }

        return true;
    }
}
