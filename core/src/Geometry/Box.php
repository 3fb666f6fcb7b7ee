<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** The least upright rectangle around something. */
final readonly class Box
{
    public function __construct(public Point $from, public Point $to)
    {
    }

    /** @param  non-empty-list<Point>  $points */
    public static function around(array $points): self
    {
        $least = fn (BigRational $a, BigRational $b): BigRational => Exact::compare($a, $b) <= 0 ? $a : $b;
        $most = fn (BigRational $a, BigRational $b): BigRational => Exact::compare($a, $b) >= 0 ? $a : $b;
        $xs = array_map(fn (Point $point): BigRational => $point->x, $points);
        $ys = array_map(fn (Point $point): BigRational => $point->y, $points);

        return new self(
            new Point(array_reduce($xs, $least, $xs[0]), array_reduce($ys, $least, $ys[0])),
            new Point(array_reduce($xs, $most, $xs[0]), array_reduce($ys, $most, $ys[0])),
        );
    }

    public function holds(Point $point): bool
    {
        return $point->compareSide($this->from) >= 0 &&
            $point->compareSide($this->to) <= 0 &&
            $point->compareHeight($this->from) >= 0 &&
            $point->compareHeight($this->to) <= 0;
    }

    public function meets(self $other): bool
    {
        return $this->from->compareSide($other->to) <= 0 &&
            $other->from->compareSide($this->to) <= 0 &&
            $this->from->compareHeight($other->to) <= 0 &&
            $other->from->compareHeight($this->to) <= 0;
    }

    public function width(): BigRational
    {
        return $this->to->x->minus($this->from->x);
    }

    public function height(): BigRational
    {
        return $this->to->y->minus($this->from->y);
    }
}
