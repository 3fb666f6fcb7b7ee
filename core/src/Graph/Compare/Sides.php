<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use WideQuarry\Geometry\Point;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\Plane;
use WideQuarry\Numbers\Exact;

/** On which side of its boundary an inequality holds. */
final class Sides
{
    /** Of two inequalities whose boundaries are the same, or near each other. */
    public static function areSame(Figure $one, Figure $other): bool
    {
        if ($one->curve !== null || $other->curve !== null) {
            return self::isAbove($one) === self::isAbove($other);
        }
        [$a, $b] = $one->points;
        [$c, $d] = $other->points;
        $turned = Plane::dot($a, $b, $c, $d)->isNegative() ? -1 : 1;

        return self::turn($one) === self::turn($other) * $turned;
    }

    /** On the left of the way from its first point to its second: 1; on the right: -1. */
    public static function turn(Figure $inequality): int
    {
        assert($inequality->side !== null);

        return Point::turn($inequality->points[0], $inequality->points[1], $inequality->side);
    }

    /** Whether it holds above its boundary; of an upright one, to the right. */
    public static function isAbove(Figure $inequality): bool
    {
        $side = $inequality->side;
        assert($side !== null);
        if ($inequality->curve !== null) {
            $at = $inequality->curve->unbounded()->at($side->x);

            return $at !== null && Exact::compare($side->y, $at) > 0;
        }
        [$a, $b] = $inequality->points;
        $way = Exact::compare($b->x, $a->x);

        return $way === 0 ? Exact::compare($side->x, $a->x) > 0 : self::turn($inequality) === $way;
    }
}
