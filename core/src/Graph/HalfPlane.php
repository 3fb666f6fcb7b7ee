<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use WideQuarry\Geometry\Point;

/** What lies on one side of a line, with the line or without it. */
final readonly class HalfPlane
{
    /** @param  int  $way  1 where it lies to the left of the way from the first point to the second, -1 to the right */
    private function __construct(private Point $first, private Point $second, private int $way, private bool $isOpen)
    {
    }

    /**
     * @param  Figure  $inequality  with a straight boundary
     * @param  bool  $isOpen  whether its boundary does not belong to it
     */
    public static function of(Figure $inequality, bool $isOpen): self
    {
        [$first, $second] = $inequality->points;
        assert($inequality->side !== null);

        return new self($first, $second, Point::turn($first, $second, $inequality->side), $isOpen);
    }

    public function holds(Point $point): bool
    {
        $lies = $this->lies($point);

        return $this->isOpen ? $lies > 0 : $lies >= 0;
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
        $sides = array_map($this->lies(...), $corners);
        foreach ($corners as $i => $corner) {
            $after = ($i + 1) % count($corners);
            if ($sides[$i] >= 0) {
                $kept[] = $corner;
            }
            if ($sides[$i] * $sides[$after] < 0) {
                $crossing = Plane::meeting($corner, $corners[$after], $this->first, $this->second);
                assert($crossing !== null); // its ends lie on different sides
                $kept[] = $crossing;
            }
        }

        return $kept;
    }

    /** 1 inside, 0 on the boundary, -1 outside. */
    private function lies(Point $point): int
    {
        return Point::turn($this->first, $this->second, $point) * $this->way;
    }
}
