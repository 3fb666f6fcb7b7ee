<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/** How far a straight figure goes beyond the two points that fix it. */
enum Reach
{
    case Both;
    case Forward;
    case Neither;

    public static function of(FigureKind $kind): self
    {
        return match ($kind) {
            FigureKind::Line, FigureKind::Inequality => self::Both,
            FigureKind::Ray => self::Forward,
            default => self::Neither,
        };
    }

    /** Whether a point beside its line is beside the figure, or near one of its ends. */
    public function covers(Point $a, Point $b, Point $point, BigRational $tolerance): bool
    {
        $squared = $tolerance->multipliedBy($tolerance);
        $along = Plane::dot($a, $b, $a, $point);
        $afterStart = ! $along->isNegative() || Plane::isNear($a, $point, $squared);
        $beforeEnd = Exact::compare($along, Plane::squaredDistance($a, $b)) <= 0 || Plane::isNear($b, $point, $squared);

        return match ($this) {
            self::Both => true,
            self::Forward => $afterStart,
            self::Neither => $afterStart && $beforeEnd,
        };
    }
}
