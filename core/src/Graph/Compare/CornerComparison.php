<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Plane;
use WideQuarry\Graph\Verdict;

/** Figures that are fixed by points alone: points, vectors, segments, polylines and polygons. */
final readonly class CornerComparison
{
    private BigRational $squared;

    public function __construct(private Grid $grid, BigRational $tolerance)
    {
        $this->squared = $tolerance->multipliedBy($tolerance);
    }

    public function points(Figure $wanted, Figure $given): bool
    {
        return $this->near($this->grid->inSteps($wanted->points[0]), $this->grid->inSteps($given->points[0]));
    }

    /** A bound vector by its two points, a free one by its way. */
    public function vectors(Figure $wanted, Figure $given): bool
    {
        [$a, $b] = $this->grid->allInSteps($wanted->points);
        [$c, $d] = $this->grid->allInSteps($given->points);
        if (! $wanted->free) {
            return $this->near($a, $c) && $this->near($b, $d);
        }
        $way = fn (Point $from, Point $to): Point => new Point($to->x->minus($from->x), $to->y->minus($from->y));

        return $this->near($way($a, $b), $way($c, $d));
    }

    /** Segments and polylines from either end; polygons from any corner, either way round. */
    public function of(Figure $wanted, Figure $given): Verdict
    {
        $closed = $wanted->kind === FigureKind::Polygon;
        if ($closed !== ($given->kind === FigureKind::Polygon)) {
            return Verdict::other();
        }
        [$one, $other] = [$this->grid->corners($wanted), $this->grid->corners($given)];
        $right = count(array_filter($one, fn (Point $corner): bool => $this->isAmong($corner, $other)));
        $same = $right === count($one) &&
            count($one) === count($other) &&
            ($this->follow($one, $other, $closed) || $this->follow($one, array_reverse($other), $closed));

        return new Verdict($same, corners: [$right, count($one)]);
    }

    /** @param  list<Point>  $corners */
    private function isAmong(Point $corner, array $corners): bool
    {
        foreach ($corners as $other) {
            if ($this->near($corner, $other)) {
                return true;
            }
        }

        return false;
    }

    /**
     * Whether two rows of corners lie on each other, of polygons from any of them.
     *
     * @param  list<Point>  $one
     * @param  list<Point>  $other  as many
     */
    private function follow(array $one, array $other, bool $closed): bool
    {
        $count = count($one);
        for ($shift = 0; $shift < ($closed ? $count : 1); $shift++) {
            for ($i = 0; $i < $count && $this->near($one[$i], $other[($i + $shift) % $count]); $i++) {
            }
            if ($i === $count) {
                return true;
            }
        }

        return false;
    }

    private function near(Point $a, Point $b): bool
    {
        return Plane::isNear($a, $b, $this->squared);
    }
}
