<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/** Arithmetic of points. Lengths are kept as their squares, which are exact. */
final class Plane
{
    /** Decimals of what has no end: far more than any tolerance. */
    private const PLACES = 40;

    public static function squaredDistance(Point $a, Point $b): BigRational
    {
        [$x, $y] = [$a->x->minus($b->x), $a->y->minus($b->y)];

        return $x->multipliedBy($x)->plus($y->multipliedBy($y));
    }

    /**
     * Whether two points are at most so far apart. Floats answer where they are sure to be right.
     *
     * @param  BigRational  $most squared
     */
    public static function isNear(Point $a, Point $b, BigRational $most): bool
    {
        if ($most->isZero()) {
            return $a->isAt($b);
        }
        $apart = ($a->nearX - $b->nearX) ** 2 + ($a->nearY - $b->nearY) ** 2;
        $size = ($a->nearX ** 2 + $b->nearX ** 2 + $a->nearY ** 2 + $b->nearY ** 2) * Point::DOUBT * 10;
        $bound = $most->toFloat();
        if (abs($apart - $bound) > $size + $bound * Point::DOUBT * 10) {
            return $apart < $bound;
        }

        return Exact::compare(self::squaredDistance($a, $b), $most) <= 0;
    }

    /** From a point to the line through two others. */
    public static function squaredDistanceToLine(Point $point, Point $a, Point $b): BigRational
    {
        [$x, $y] = [$b->x->minus($a->x), $b->y->minus($a->y)];
        $cross = $x->multipliedBy($point->y->minus($a->y))->minus($y->multipliedBy($point->x->minus($a->x)));

        return $cross->multipliedBy($cross)->dividedBy($x->multipliedBy($x)->plus($y->multipliedBy($y)));
    }

    /** Of the ways from a to b and from c to d. */
    public static function dot(Point $a, Point $b, Point $c, Point $d): BigRational
    {
        return $b->x->minus($a->x)->multipliedBy($d->x->minus($c->x))
            ->plus($b->y->minus($a->y)->multipliedBy($d->y->minus($c->y)));
    }

    public static function middle(Point $a, Point $b): Point
    {
        return new Point($a->x->plus($b->x)->dividedBy(2)->simplified(), $a->y->plus($b->y)->dividedBy(2)->simplified());
    }

    /**
     * Where two lines meet.
     *
     * @return Point|null null where they are parallel
     */
    public static function meeting(Point $a, Point $b, Point $c, Point $d): ?Point
    {
        [$x, $y] = [$b->x->minus($a->x), $b->y->minus($a->y)];
        [$u, $v] = [$d->x->minus($c->x), $d->y->minus($c->y)];
        $below = $x->multipliedBy($v)->minus($y->multipliedBy($u));
        if ($below->isZero()) {
            return null;
        }
        $share = $c->x->minus($a->x)->multipliedBy($v)->minus($c->y->minus($a->y)->multipliedBy($u))->dividedBy($below);

        return new Point($a->x->plus($share->multipliedBy($x))->simplified(), $a->y->plus($share->multipliedBy($y))->simplified());
    }

    /**
     * Where two lines meet, by floats where they are sure of it.
     *
     * @return array{float, float}|null null where they are parallel
     */
    public static function nearMeeting(Point $a, Point $b, Point $c, Point $d): ?array
    {
        [$x, $y] = [$b->nearX - $a->nearX, $b->nearY - $a->nearY];
        [$u, $v] = [$d->nearX - $c->nearX, $d->nearY - $c->nearY];
        $below = $x * $v - $y * $u;
        if (abs($below) <= 1e-6 * (abs($x * $v) + abs($y * $u))) {
            $exact = self::meeting($a, $b, $c, $d);

            // farther than any float is nowhere that matters
            return $exact === null || ! is_finite($exact->nearX + $exact->nearY) ? null : [$exact->nearX, $exact->nearY];
        }
        $share = (($c->nearX - $a->nearX) * $v - ($c->nearY - $a->nearY) * $u) / $below;

        return [$a->nearX + $share * $x, $a->nearY + $share * $y];
    }

    /**
     * The square root, to 40 decimals; exactly where it is rational.
     *
     * @param  BigRational  $value  not below 0
     */
    public static function root(BigRational $value): BigRational
    {
        $value = $value->simplified();
        $exact = self::exactRoot($value);
        if ($exact !== null) {
            return $exact;
        }
        $decimal = $value->toScale(2 * self::PLACES, RoundingMode::DOWN);

        return BigDecimal::of($decimal)->sqrt(self::PLACES)->toBigRational();
    }

    public static function exactRoot(BigRational $value): ?BigRational
    {
        $value = $value->simplified();
        [$above, $below] = [$value->getNumerator()->sqrt(), $value->getDenominator()->sqrt()];

        return $above->multipliedBy($above)->isEqualTo($value->getNumerator()) &&
            $below->multipliedBy($below)->isEqualTo($value->getDenominator())
            ? BigRational::nd($above, $below)
            : null;
    }

    /** Whether the roots of two numbers are at most so far apart: |√a − √b| ≤ t, without a root. */
    public static function rootsAreNear(BigRational $a, BigRational $b, BigRational $most): bool
    {
        // (√a − √b)² = a + b − 2√(ab) ≤ t²
        $over = $a->plus($b)->minus($most->multipliedBy($most));

        return $over->isNegativeOrZero() ||
            Exact::compare($over->multipliedBy($over), $a->multipliedBy($b)->multipliedBy(4)) <= 0;
    }
}
