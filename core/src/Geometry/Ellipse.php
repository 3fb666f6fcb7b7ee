<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** An upright ellipse; a circle where its two radii are the same. */
final readonly class Ellipse implements Shape
{
    private const DOUBT = 1e-12;

    private Box $box;

    public function __construct(private Point $centre, private BigRational $rx, private BigRational $ry)
    {
        $this->box = Box::around([
            new Point($centre->x->minus($rx), $centre->y->minus($ry)),
            new Point($centre->x->plus($rx), $centre->y->plus($ry)),
        ]);
    }

    /** (dx·ry)² + (dy·rx)² ≤ (rx·ry)² */
    public function holds(Point $point): bool
    {
        if (! $this->hasArea() || ! $this->box->holds($point)) {
            return false;
        }
        [$rx, $ry] = [Exact::float($this->rx), Exact::float($this->ry)];
        $x = ($point->nearX - $this->centre->nearX) * $ry;
        $y = ($point->nearY - $this->centre->nearY) * $rx;
        $size = ((abs($point->nearX) + abs($this->centre->nearX)) * $ry) ** 2 +
            ((abs($point->nearY) + abs($this->centre->nearY)) * $rx) ** 2;
        $over = $x ** 2 + $y ** 2 - ($rx * $ry) ** 2;
        if (abs($over) > self::DOUBT * ($size + ($rx * $ry) ** 2)) {
            return $over < 0;
        }
        $dx = $point->x->minus($this->centre->x)->multipliedBy($this->ry);
        $dy = $point->y->minus($this->centre->y)->multipliedBy($this->rx);
        $whole = $this->rx->multipliedBy($this->ry);

        return $dx->multipliedBy($dx)->plus($dy->multipliedBy($dy))->isLessThanOrEqualTo($whole->multipliedBy($whole));
    }

    public function box(): Box
    {
        return $this->box;
    }

    public function hasArea(): bool
    {
        return $this->rx->isPositive() && $this->ry->isPositive();
    }

    public function crossesItself(): bool
    {
        return false;
    }

    public function outline(): array
    {
        [$x, $y] = [$this->centre->x, $this->centre->y];

        return [
            new Point($x->minus($this->rx), $y),
            new Point($x, $y->minus($this->ry)),
            new Point($x->plus($this->rx), $y),
            new Point($x, $y->plus($this->ry)),
        ];
    }

    public function middle(): Point
    {
        return $this->centre;
    }
}
