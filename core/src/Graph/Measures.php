<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Compare\Path;
use WideQuarry\Numbers\Exact;

/** What can be measured of a figure, in units of the grid; null where there is no such thing. Lengths are given as their squares. */
final readonly class Measures
{
    /** @var list<Point> */
    private array $corners;

    public function __construct(private Figure $figure)
    {
        $this->corners = in_array($figure->kind, [FigureKind::Polygon, FigureKind::Polyline], true)
            ? Corners::withoutStraight($figure->points, $figure->kind === FigureKind::Polygon)
            : [];
    }

    /** @return list<Point> */
    public function corners(): array
    {
        return $this->corners;
    }

    /** Of anything straight that is not upright. */
    public function slope(): ?BigRational
    {
        if ($this->figure->kind === FigureKind::Function_) {
            return $this->slopeOfFormula();
        }
        if (! $this->isStraight()) {
            return null;
        }
        [$a, $b] = $this->figure->points;
        $across = $b->x->minus($a->x);

        return $across->isZero() ? null : $b->y->minus($a->y)->dividedBy($across);
    }

    /** Of a segment or vector. */
    public function squaredLength(): ?BigRational
    {
        return in_array($this->figure->kind, [FigureKind::Segment, FigureKind::Vector], true)
            ? Plane::squaredDistance(...$this->figure->points)
            : null;
    }

    public function squaredRadius(): ?BigRational
    {
        return $this->figure->kind === FigureKind::Circle ? Plane::squaredDistance(...$this->figure->points) : null;
    }

    public function area(): ?BigRational
    {
        return $this->figure->kind === FigureKind::Polygon ? Corners::doubleArea($this->corners)->dividedBy(2) : null;
    }

    /** Around a polygon, to 40 decimals where it has no end. */
    public function perimeter(): ?BigRational
    {
        return $this->figure->kind === FigureKind::Polygon
            ? array_reduce(
                $this->sides(),
                fn (BigRational $sum, BigRational $side): BigRational => $sum->plus(Plane::root($side)),
                Exact::zero(),
            )
            : null;
    }

    public function hasRightAngle(): bool
    {
        $count = count($this->corners);
        $first = $this->figure->kind === FigureKind::Polygon ? 0 : 1;
        $last = $this->figure->kind === FigureKind::Polygon ? $count : $count - 1;
        for ($i = $first; $i < $last; $i++) {
            $corner = $this->corners[$i];
            if (Plane::dot($corner, $this->corners[($i + $count - 1) % $count], $corner, $this->corners[($i + 1) % $count])->isZero()) {
                return true;
            }
        }

        return false;
    }

    /** Whether two sides of a polygon are equal: an isosceles triangle, a kite. */
    public function hasEqualSides(): bool
    {
        $sides = array_map(Exact::text(...), $this->sides());

        return count(array_unique($sides)) < count($sides);
    }

    private function isStraight(): bool
    {
        return count($this->figure->points) === 2 && in_array(
            $this->figure->kind,
            [FigureKind::Line, FigureKind::Ray, FigureKind::Segment, FigureKind::Vector, FigureKind::Inequality],
            true,
        );
    }

    /** @return list<BigRational> squared */
    private function sides(): array
    {
        if ($this->figure->kind !== FigureKind::Polygon) {
            return [];
        }
        $count = count($this->corners);

        return array_map(
            fn (int $i): BigRational => Plane::squaredDistance($this->corners[$i], $this->corners[($i + 1) % $count]),
            array_keys($this->corners),
        );
    }

    /** Where it is the same between any two of a few places. */
    private function slopeOfFormula(): ?BigRational
    {
        $path = Path::of($this->figure);
        $places = array_map(Exact::of(...), ['0', '1', '-5/7', '31/3', '-19/11']);
        $heights = array_map(fn (BigRational $x): ?BigRational => $path?->at($x), $places);
        if (in_array(null, $heights, true)) {
            return null;
        }
        $slope = $heights[1]->minus($heights[0]);
        foreach ($places as $i => $x) {
            if (Exact::compare($heights[$i]->minus($heights[0]), $slope->multipliedBy($x)) !== 0) {
                return null;
            }
        }

        return $slope;
    }
}
