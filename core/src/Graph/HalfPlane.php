<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;

/** ax + by ≥ c, or > where its boundary does not belong to it. */
final readonly class HalfPlane
{
    private function __construct(
        private BigRational $a,
        private BigRational $b,
        private BigRational $c,
        private bool $isOpen,
    ) {
    }

    /**
     * @param  Figure  $inequality  with a straight boundary
     * @param  bool  $isOpen  whether its boundary does not belong to it
     */
    public static function of(Figure $inequality, bool $isOpen): self
    {
        [$p, $q] = $inequality->points;
        assert($inequality->side !== null);
        [$a, $b] = [$p->y->minus($q->y), $q->x->minus($p->x)];
        if (Point::turn($p, $q, $inequality->side) < 0) {
            [$a, $b] = [$a->negated(), $b->negated()];
        }

        return new self($a, $b, $a->multipliedBy($p->x)->plus($b->multipliedBy($p->y)), $isOpen);
    }

    /** Above 0 inside, 0 on the boundary. */
    public function over(Point $point): BigRational
    {
        return $this->a->multipliedBy($point->x)->plus($this->b->multipliedBy($point->y))->minus($this->c);
    }

    public function holds(Point $point): bool
    {
        $over = $this->over($point);

        return $this->isOpen ? $over->isPositive() : ! $over->isNegative();
    }

    /**
     * What of a convex polygon lies in it or on its boundary (Sutherland and Hodgman 1974).
     *
     * @param  list<Point>  $corners
     * @return list<Point>
     */
    public function clip(array $corners): array
    {
        $kept = [];
        foreach ($corners as $i => $corner) {
            $next = $corners[($i + 1) % count($corners)];
            [$here, $there] = [$this->over($corner), $this->over($next)];
            if (! $here->isNegative()) {
                $kept[] = $corner;
            }
            if ($here->getSign() * $there->getSign() < 0) {
                $share = $here->dividedBy($here->minus($there));
                $kept[] = new Point(
                    $corner->x->plus($share->multipliedBy($next->x->minus($corner->x)))->simplified(),
                    $corner->y->plus($share->multipliedBy($next->y->minus($corner->y)))->simplified(),
                );
            }
        }

        return $kept;
    }
}
