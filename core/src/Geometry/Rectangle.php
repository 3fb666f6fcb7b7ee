<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

/** An upright rectangle. */
final readonly class Rectangle implements Shape
{
    private Box $box;

    public function __construct(Point $corner, Point $opposite)
    {
        $this->box = Box::around([$corner, $opposite]);
    }

    public function holds(Point $point): bool
    {
        return $this->box->holds($point);
    }

    public function box(): Box
    {
        return $this->box;
    }

    public function hasArea(): bool
    {
        return $this->box->width()->isPositive() && $this->box->height()->isPositive();
    }

    public function crossesItself(): bool
    {
        return false;
    }

    public function outline(): array
    {
        [$from, $to] = [$this->box->from, $this->box->to];

        return [$from, new Point($to->x, $from->y), $to, new Point($from->x, $to->y)];
    }

    public function middle(): Point
    {
        return new Point(
            $this->box->from->x->plus($this->box->to->x)->dividedBy(2),
            $this->box->from->y->plus($this->box->to->y)->dividedBy(2),
        );
    }
}
