<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

use Brick\Math\BigRational;

/** A polygon, by the even-odd rule where its outline crosses itself. */
final readonly class Polygon implements Shape
{
    /** Lines on which a middle is looked for, as shares of its height. */
    private const LINES = ['1/2', '1/3', '2/3', '1/5', '4/5', '1/17', '16/17'];

    private Box $box;

    /** @var list<float> heights of the corners, for a first look */
    private array $heights;

    /** How far off a float may be among these corners. */
    private float $doubt;

    /** @param  non-empty-list<Point>  $corners */
    public function __construct(private array $corners)
    {
        $this->box = Box::around($corners);
        $this->heights = array_map(fn (Point $corner): float => $corner->nearY, $corners);
        $this->doubt = Point::DOUBT * max(array_map(abs(...), $this->heights));
    }

    /** By the edges that a ray to the right crosses (Shimrat 1962, Algorithm 112); a place on an edge is found before. */
    public function holds(Point $point): bool
    {
        if (count($this->corners) < 3 || ! $this->box->holds($point)) {
            return false;
        }
        $isInside = false;
        $from = $this->corners[count($this->corners) - 1];
        $above = $from->compareHeight($point);
        $doubt = $this->doubt + Point::DOUBT * abs($point->nearY);
        foreach ($this->corners as $i => $to) {
            $apart = $this->heights[$i] - $point->nearY;
            $next = $apart > $doubt ? 1 : ($apart < -$doubt ? -1 : $to->compareHeight($point));
            if ($above !== $next || $next === 0) {
                $turn = Point::turn($from, $to, $point);
                if ($turn === 0 && Box::around([$from, $to])->holds($point)) {
                    return true;
                }
                if (($above > 0) !== ($next > 0) && ($turn > 0) === ($next > $above)) {
                    $isInside = ! $isInside;
                }
            }
            [$from, $above] = [$to, $next];
        }

        return $isInside;
    }

    public function box(): Box
    {
        return $this->box;
    }

    public function hasArea(): bool
    {
        $first = $this->corners[0];
        for ($i = 2; $i < count($this->corners); $i++) {
            if (Point::turn($first, $this->corners[$i - 1], $this->corners[$i]) !== 0) {
                return true;
            }
        }

        return false;
    }

    /** Edges are taken from left to right, so that each is compared with those alone that it can meet (Shamos and Hoey 1976). */
    public function crossesItself(): bool
    {
        $count = count($this->corners);
        $edges = array_map($this->span(...), array_keys($this->corners));
        usort($edges, fn (array $a, array $b): int => $a['left'] <=> $b['left']);
        foreach ($edges as $n => $edge) {
            for ($m = $n + 1; $m < $count && $edges[$m]['left'] <= $edge['right']; $m++) {
                $other = $edges[$m];
                $apart = abs($edge['at'] - $other['at']);
                if (
                    $apart > 1 &&
                    $apart < $count - 1 &&
                    $edge['top'] <= $other['bottom'] &&
                    $other['top'] <= $edge['bottom'] &&
                    $this->doCross($edge['at'], $other['at'])
                ) {
                    return true;
                }
            }
        }

        return false;
    }

    /** @return array{at: int, left: float, right: float, top: float, bottom: float} an edge, and the floats it certainly lies between */
    private function span(int $at): array
    {
        [$a, $b] = [$this->corners[$at], $this->corners[($at + 1) % count($this->corners)]];
        $doubt = Point::DOUBT * max(abs($a->nearX), abs($b->nearX), abs($a->nearY), abs($b->nearY));

        return [
            'at' => $at,
            'left' => min($a->nearX, $b->nearX) - $doubt,
            'right' => max($a->nearX, $b->nearX) + $doubt,
            'top' => min($a->nearY, $b->nearY) - $doubt,
            'bottom' => max($a->nearY, $b->nearY) + $doubt,
        ];
    }

    public function outline(): array
    {
        return $this->corners;
    }

    /** The middle of the widest piece of a line across it. */
    public function middle(): Point
    {
        foreach (self::LINES as $share) {
            $y = $this->box->from->y->plus($this->box->height()->multipliedBy($share));
            $crossings = $this->crossingsAt($y);
            $widest = null;
            for ($i = 0; $i + 1 < count($crossings); $i += 2) {
                $width = $crossings[$i + 1]->minus($crossings[$i]);
                if ($width->isPositive() && ($widest === null || $width->isGreaterThan($widest[0]))) {
                    $widest = [$width, $crossings[$i]];
                }
            }
            if ($widest !== null) {
                return new Point($widest[1]->plus($widest[0]->dividedBy(2))->simplified(), $y->simplified());
            }
        }

        return $this->corners[0];
    }

    /** @return list<BigRational> from left to right */
    private function crossingsAt(BigRational $y): array
    {
        $crossings = [];
        foreach ($this->corners as $i => $to) {
            $from = $this->corners[$i === 0 ? count($this->corners) - 1 : $i - 1];
            if ($from->y->isGreaterThan($y) !== $to->y->isGreaterThan($y)) {
                $share = $y->minus($from->y)->dividedBy($to->y->minus($from->y));
                $crossings[] = $from->x->plus($to->x->minus($from->x)->multipliedBy($share));
            }
        }
        usort($crossings, fn (BigRational $a, BigRational $b): int => $a->compareTo($b));

        return $crossings;
    }

    /** Whether two edges that are not next to each other meet. */
    private function doCross(int $i, int $j): bool
    {
        [$a, $b] = [$this->corners[$i], $this->corners[($i + 1) % count($this->corners)]];
        [$c, $d] = [$this->corners[$j], $this->corners[($j + 1) % count($this->corners)]];
        if (! Box::around([$a, $b])->meets(Box::around([$c, $d]))) {
            return false;
        }
        [$one, $two] = [Point::turn($a, $b, $c), Point::turn($a, $b, $d)];
        [$three, $four] = [Point::turn($c, $d, $a), Point::turn($c, $d, $b)];

        return $one * $two <= 0 && $three * $four <= 0;
    }
}
