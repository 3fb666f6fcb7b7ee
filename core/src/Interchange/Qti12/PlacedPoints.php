<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Geometry\Point;
use WideQuarry\Geometry\Shape;
use WideQuarry\Geometry\Shapes;
use WideQuarry\Numbers\Exact;

/**
 * The areas that points are placed in (QTI 1.2.1 ASI, response_xy), found out by placing points and letting the item mark them: smaller
 * areas come first, and the first that holds a point decides, as in a key of ours.
 */
final readonly class PlacedPoints
{
    /** More areas than this, or more corners of all together, are not tried out. */
    private const MOST = 40;

    private const CORNERS = 1000;

    /** So many places along each side of an area are tried, besides its middle and its corners. */
    private const GRID = 16;

    private const OUTSIDE = "-1\t-1";

    /**
     * @param  list<\stdClass>  $regions  id, shape, at, label; in the order they are tried
     * @param  array<string, string>  $places  region → a point in it that no earlier one holds, as given() writes it
     */
    private function __construct(public array $regions, private array $places)
    {
    }

    /**
     * @param  list<\stdClass>  $areas  id, shape, at, label
     * @param  \Closure(list<string>): BigRational  $score  what the item gives for points
     * @return self|null null where they earn what a key of areas cannot say
     */
    public static function find(array $areas, \Closure $score): ?self
    {
        $corners = array_sum(array_map(fn (\stdClass $area): int => is_array($area->at) ? intdiv(count($area->at), 2) : 0, $areas));
        if ($areas === [] || count($areas) > self::MOST || $corners > self::CORNERS) {
            return null;
        }
        $drawn = [];
        foreach ($areas as $area) {
            $shape = self::shape($area);
            if ($shape === null) {
                return null;
            }
            $drawn[] = [$area, $shape, $shape->box()->width()->multipliedBy($shape->box()->height())];
        }
        usort($drawn, fn (array $a, array $b): int => $a[2]->compareTo($b[2]));
        $shapes = array_column($drawn, 1);
        if (! $score([self::OUTSIDE])->isEqualTo($score([]))) {
            return null; // a place in no area earns something
        }
        $places = self::met($shapes);
        $regions = $kept = [];
        foreach ($drawn as $i => [$area]) {
            $own = $places[$i] ?? [];
            $earns = array_unique(array_map(fn (string $place): string => (string) $score([$place]), $own));
            if (count($earns) > 1) {
                return null; // where it meets another, it earns something else
            }
            if ($own !== []) {
                $regions[] = $area;
                $kept[is_string($area->id) ? $area->id : ''] = array_values($own)[0];
            }
        }

        return new self($regions, $kept);
    }

    /**
     * @param  list<string>  $regions
     * @return list<string> a point in each, as a response of the item
     */
    public function given(array $regions): array
    {
        return array_map(fn (string $region): string => $this->places[$region] ?? self::OUTSIDE, $regions);
    }

    /** A point of a response: two exact numbers with a tab between. */
    public static function point(string $given): ?Point
    {
        return preg_match('/^(\S+)\t(\S+)$/', $given, $m) === 1 ? Point::of($m[1], $m[2]) : null;
    }

    /**
     * Points are judged by areas, and hidden regions where it is counted as points cannot be.
     *
     * @param  list<string>  $schemes  by which points are scored
     */
    public static function asPoints(\stdClass $part, array $schemes): void
    {
        $scoring = $part->scoring ?? null;
        $settings = $part->settings ?? null;
        $key = $part->key ?? null;
        assert($scoring instanceof \stdClass && $settings instanceof \stdClass && $key instanceof \stdClass);
        assert(is_array($key->rules) && is_array($settings->regions));
        if (! in_array($scoring->scheme ?? 'weights', $schemes, true)) {
            $settings->show = 'hidden';

            return;
        }
        $rules = [];
        foreach ($settings->regions as $i => $region) {
            assert($region instanceof \stdClass);
            $about = fn (mixed $rule): bool => $rule instanceof \stdClass && $rule->on === $region->id;
            $own = array_values(array_filter($key->rules, $about));
            $rule = $own[0] ?? (object) ['credit' => '0']; // it may be a hole in a larger one
            assert($rule instanceof \stdClass);
            $rule->id = 'r'.($i + 1);
            $rule->on = (object) ['shape' => $region->shape, 'at' => $region->at];
            if ($region->label !== '') {
                $rule->note = $region->label;
            }
            $rules[] = $rule;
        }
        $part->kind = 'point';
        $key->rules = ($scoring->scheme ?? '') === 'person' ? [] : $rules;
        $part->settings = (object) ['picture' => $settings->picture, 'max' => $settings->max];
    }

    /**
     * One place for each set of areas that holds it, by the first of them.
     *
     * @param  list<Shape>  $shapes
     * @return array<int, array<string, string>> first area → areas → place
     */
    private static function met(array $shapes): array
    {
        $places = [];
        foreach ($shapes as $shape) {
            foreach (self::tried($shape) as $point) {
                $holding = array_keys(array_filter($shapes, fn (Shape $one): bool => $one->holds($point)));
                if ($holding !== []) {
                    $places[$holding[0]][implode(' ', $holding)] ??= Exact::text($point->x)."\t".Exact::text($point->y);
                }
            }
        }

        return $places;
    }

    /** @return iterable<Point> */
    private static function tried(Shape $shape): iterable
    {
        yield $shape->middle();
        yield from $shape->outline();
        $box = $shape->box();
        $rows = self::between($box->from->y, $box->height());
        foreach (self::between($box->from->x, $box->width()) as $x) {
            foreach ($rows as $y) {
                yield new Point($x, $y);
            }
        }
    }

    /** @return list<BigRational> places at even distances along a side, without its ends */
    private static function between(BigRational $from, BigRational $length): array
    {
        $step = $length->dividedBy(self::GRID);

        return array_map(fn (int $i): BigRational => Exact::simplified($from->plus($step->multipliedBy($i))), range(1, self::GRID - 1));
    }

    private static function shape(\stdClass $area): ?Shape
    {
        assert(is_string($area->shape) && is_array($area->at));
        $at = array_map(fn (mixed $n): BigRational => Exact::of(is_string($n) ? $n : '0'), array_values($area->at));
        $shape = Shapes::of($area->shape, $at);

        return $shape !== null && $shape->hasArea() ? $shape : null;
    }
}
