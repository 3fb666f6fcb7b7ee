<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/** Corners of a polyline or polygon. */
final class Corners
{
    /**
     * Those at which it turns: a corner in the middle of a straight edge makes no other figure.
     *
     * @param  list<Point>  $points
     * @return list<Point>
     */
    public static function withoutStraight(array $points, bool $closed): array
    {
        do {
            $kept = [];
            $count = count($points);
            foreach ($points as $i => $point) {
                $before = $points[$i - 1] ?? ($closed ? $points[$count - 1] : null);
                $after = $points[$i + 1] ?? ($closed ? $points[0] : null);
                if ($before === null || $after === null || ! self::isStraight($before, $point, $after)) {
                    $kept[] = $point;
                }
            }
            $dropped = count($kept) < $count && count($kept) >= 2;
            $points = $dropped ? $kept : $points;
        } while ($dropped && $closed);

        return $points;
    }

    /** @param  list<Point>  $corners  of a polygon without straight corners */
    public static function turnsBack(array $corners): bool
    {
        $count = count($corners);
        foreach ($corners as $i => $corner) {
            if (Point::turn($corners[($i + $count - 1) % $count], $corner, $corners[($i + 1) % $count]) === 0) {
                return true;
            }
        }

        return false;
    }

    /**
     * Twice the area of a polygon, whichever way round.
     *
     * @param  list<Point>  $corners
     */
    public static function doubleArea(array $corners): BigRational
    {
        $sum = Exact::zero();
        foreach ($corners as $i => $corner) {
            $next = $corners[($i + 1) % count($corners)];
            $sum = $sum->plus($corner->x->multipliedBy($next->y))->minus($next->x->multipliedBy($corner->y));
        }

        return $sum->abs();
    }

    private static function isStraight(Point $before, Point $point, Point $after): bool
    {
        return Point::turn($before, $point, $after) === 0 && Plane::dot($before, $point, $point, $after)->isPositive();
    }
}
