<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Box;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/** What figures stand on: a plane with two axes, or a number line, which has one. */
final readonly class Grid
{
    /** The visible part, in steps. */
    public Box $box;

    private bool $hasUnitSteps;

    /** @var \WeakMap<Figure, list<Point>> corners in steps, asked for with every figure that is compared with another */
    private \WeakMap $corners;

    /** @param  Axis|null  $y  null for a number line */
    public function __construct(public Axis $x, public ?Axis $y)
    {
        $this->corners = new \WeakMap;
        $this->hasUnitSteps = $y !== null && $x->step->isEqualTo(1) && $y->step->isEqualTo(1);
        $this->box = new Box(
            $this->inSteps(new Point($x->from, $y->from ?? Exact::zero())),
            $this->inSteps(new Point($x->to, $y->to ?? Exact::zero())),
        );
    }

    /** A point in steps of the grid: distances are measured so. */
    public function inSteps(Point $point): Point
    {
        if ($this->hasUnitSteps) {
            return $point;
        }

        return new Point(
            $point->x->dividedBy($this->x->step)->simplified(),
            $this->y === null ? Exact::zero() : $point->y->dividedBy($this->y->step)->simplified(),
        );
    }

    /**
     * @param  list<Point>  $points
     * @return list<Point>
     */
    public function allInSteps(array $points): array
    {
        return array_map($this->inSteps(...), $points);
    }

    /**
     * The corners of a polyline, polygon or segment at which it turns, in steps.
     *
     * @return list<Point>
     */
    public function corners(Figure $figure): array
    {
        return $this->corners[$figure] ??= Corners::withoutStraight(
            $this->allInSteps($figure->points),
            $figure->kind === FigureKind::Polygon,
        );
    }

    public function inUnits(Point $steps): Point
    {
        return new Point(
            $steps->x->multipliedBy($this->x->step)->simplified(),
            $this->y === null ? Exact::zero() : $steps->y->multipliedBy($this->y->step)->simplified(),
        );
    }

    /** A length in units, for as many steps. */
    public function length(BigRational $steps): BigRational
    {
        $step = $this->y !== null && Exact::compare($this->y->step, $this->x->step) < 0 ? $this->y->step : $this->x->step;

        return $steps->multipliedBy($step);
    }

    public function holds(Point $point): bool
    {
        return $this->x->holds($point->x) && ($this->y === null || $this->y->holds($point->y));
    }

    /**
     * The part of a line that is visible, in steps (Liang and Barsky 1984).
     *
     * @param  Point  $a  in steps, as $b
     * @param  bool  $isRay  whether it begins at $a
     * @return array{Point, Point}|null null where nothing of it is
     */
    public function visible(Point $a, Point $b, bool $isRay = false): ?array
    {
        [$low, $high] = [$this->box->from, $this->box->to];
        [$from, $to] = [$isRay ? Exact::zero() : null, null];
        foreach ([[$a->x, $b->x, $low->x, $high->x], [$a->y, $b->y, $low->y, $high->y]] as [$start, $end, $least, $most]) {
            $way = $end->minus($start);
            if ($way->isZero()) {
                if (Exact::compare($start, $least) < 0 || Exact::compare($start, $most) > 0) {
                    return null;
                }

                continue;
            }
            $first = $least->minus($start)->dividedBy($way);
            $last = $most->minus($start)->dividedBy($way);
            if ($way->isNegative()) {
                [$first, $last] = [$last, $first];
            }
            $from = $from === null || Exact::compare($first, $from) > 0 ? $first : $from;
            $to = $to === null || Exact::compare($last, $to) < 0 ? $last : $to;
        }
        if ($from === null || $to === null || Exact::compare($from, $to) > 0) {
            return null;
        }
        $at = fn (BigRational $share): Point => new Point(
            $a->x->plus($share->multipliedBy($b->x->minus($a->x)))->simplified(),
            $a->y->plus($share->multipliedBy($b->y->minus($a->y)))->simplified(),
        );

        return [$at($from), $at($to)];
    }
}
