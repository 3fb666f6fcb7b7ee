<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;

/** Where several inequalities with straight boundaries hold at once: a convex set, which may be unbounded, empty, or without its edges. */
final readonly class Region
{
    /** @param  list<HalfPlane>  $halves */
    private function __construct(private array $halves)
    {
    }

    /**
     * As an author means it.
     *
     * @param  list<Figure>  $inequalities  with straight boundaries
     */
    public static function of(array $inequalities): self
    {
        return new self(array_map(fn (Figure $one): HalfPlane => HalfPlane::of($one, $one->strict), $inequalities));
    }

    /**
     * As it is drawn: a dashed boundary does not belong to it.
     *
     * @param  list<Figure>  $inequalities  with straight boundaries
     */
    public static function asDrawn(array $inequalities): self
    {
        return new self(array_map(fn (Figure $one): HalfPlane => HalfPlane::of($one, $one->dashed === true), $inequalities));
    }

    /**
     * A box that holds every corner there can be, and some of every boundary: two sets that agree in it agree everywhere, because each
     * cell into which the boundaries cut the plane reaches into it.
     *
     * @param  non-empty-list<Figure>  $inequalities
     * @return list<Point> its corners
     */
    public static function boxAround(array $inequalities): array
    {
        $inequalities = self::distinct($inequalities);
        $xs = $ys = [];
        foreach ($inequalities as $i => $one) {
            foreach ($one->points as $point) {
                [$xs[], $ys[]] = [$point->nearX, $point->nearY];
            }
            foreach (array_slice($inequalities, 0, $i) as $other) {
                $meeting = Plane::nearMeeting(...$one->points, ...$other->points);
                if ($meeting !== null) {
                    [$xs[], $ys[]] = $meeting;
                }
            }
        }
        assert($xs !== [] && $ys !== []);
        // floats are near enough, because the box may be larger than it need be
        [$left, $right] = [self::rounded(min($xs), -1), self::rounded(max($xs), 1)];
        [$bottom, $top] = [self::rounded(min($ys), -1), self::rounded(max($ys), 1)];

        return [new Point($left, $bottom), new Point($right, $bottom), new Point($right, $top), new Point($left, $top)];
    }

    /** A number beyond another one. */
    private static function rounded(float $number, int $way): BigRational
    {
        return Exact::of(sprintf('%.0F', $number + $way * (2 + abs($number) / 1000)));
    }

    /**
     * Each boundary once: what was drawn mostly has those that are wanted.
     *
     * @param  non-empty-list<Figure>  $inequalities
     * @return non-empty-list<Figure>
     */
    private static function distinct(array $inequalities): array
    {
        $kept = [$inequalities[0]];
        foreach ($inequalities as $one) {
            [$a, $b] = $one->points;
            $isThere = false;
            foreach ($kept as $other) {
                [$c, $d] = $other->points;
                $isThere = $isThere || (Point::turn($c, $d, $a) === 0 && Point::turn($c, $d, $b) === 0);
            }
            $kept = $isThere ? $kept : [...$kept, $one];
        }

        return $kept;
    }

    public function holds(Point $point): bool
    {
        foreach ($this->halves as $half) {
            if (! $half->holds($point)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Its corners with those of the box it is looked at in; what it encloses may be nothing.
     *
     * @param  list<Point>  $box
     * @return list<Point>
     */
    public function corners(array $box): array
    {
        $corners = $box;
        foreach ($this->halves as $half) {
            $corners = $half->clip($corners);
        }
        $distinct = [];
        foreach ($corners as $corner) {
            $distinct[$corner->key()] ??= $corner;
        }

        return Corners::withoutStraight(array_values($distinct), true);
    }

    /**
     * Whether it selects the same points as another: both have the same corners, and the same of these and of the edges between them
     * belong to both. An edge is in it or not as a whole, because no boundary can cross it.
     *
     * @param  list<Point>  $box
     */
    public function is(self $other, array $box): bool
    {
        $corners = $this->corners($box);
        $theirs = array_map(fn (Point $corner): string => $corner->key(), $other->corners($box));
        if (count($corners) !== count($theirs)) {
            return false;
        }
        foreach ($corners as $i => $corner) {
            $middle = Plane::middle($corner, $corners[($i + 1) % count($corners)]);
            if (
                ! in_array($corner->key(), $theirs, true) ||
                $this->holds($corner) !== $other->holds($corner) ||
                $this->holds($middle) !== $other->holds($middle)
            ) {
                return false;
            }
        }

        return true;
    }
}
