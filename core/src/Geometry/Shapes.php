<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

use Brick\Math\BigRational;

/** The shapes an area can have (core/schema/common.json, shape). */
final class Shapes
{
    /** Shape → how many numbers it takes; null for a polygon, which takes pairs. */
    public const NAMES = ['circle' => 3, 'ellipse' => 4, 'rectangle' => 4, 'polygon' => null];

    /**
     * @param  list<BigRational>  $at  circle: x, y, r; ellipse: x, y, rx, ry; rectangle: left, top, right, bottom; polygon: x1, y1, x2 …
     * @return Shape|null null when there are too few numbers, or too many
     */
    public static function of(string $shape, array $at): ?Shape
    {
        $needed = self::NAMES[$shape] ?? null;
        if ($needed === null ? count($at) < 6 || count($at) % 2 !== 0 : count($at) !== $needed) {
            return null;
        }

        return match ($shape) {
            'circle' => new Ellipse(new Point($at[0], $at[1]), $at[2], $at[2]),
            'ellipse' => new Ellipse(new Point($at[0], $at[1]), $at[2], $at[3]),
            'rectangle' => new Rectangle(new Point($at[0], $at[1]), new Point($at[2], $at[3])),
            default => self::polygon($at),
        };
    }

    /** @param  list<BigRational>  $at */
    private static function polygon(array $at): ?Polygon
    {
        $corners = [];
        for ($i = 0; $i + 1 < count($at); $i += 2) {
            $corners[] = new Point($at[$i], $at[$i + 1]);
        }

        return $corners === [] ? null : new Polygon($corners);
    }
}
