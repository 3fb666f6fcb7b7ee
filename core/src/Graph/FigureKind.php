<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

/** What can be drawn on a grid or a number line. */
enum FigureKind: string
{
    case Point = 'point';
    case Segment = 'segment';
    case Line = 'line';
    case Ray = 'ray';
    case Vector = 'vector';
    case Polyline = 'polyline';
    case Polygon = 'polygon';
    case Circle = 'circle';
    case Ellipse = 'ellipse';
    case Parabola = 'parabola';
    case Hyperbola = 'hyperbola';
    case Conic = 'conic';
    case Function_ = 'function';
    case Inequality = 'inequality';
    case Interval = 'interval';
    case NumberRay = 'number_ray';

    private const MOST_CORNERS = 60;

    /** @return array{int, int} how many points it has, at least and at most */
    public function points(): array
    {
        return match ($this) {
            self::Conic, self::Function_ => [0, 0],
            self::Inequality => [0, 2],
            self::Point => [1, 1],
            self::Ellipse, self::Hyperbola => [3, 3],
            self::Polyline => [2, self::MOST_CORNERS],
            self::Polygon => [3, self::MOST_CORNERS],
            default => [2, 2],
        };
    }

    /** How many of its ends may be open or closed. */
    public function ends(): int
    {
        return match ($this) {
            self::Interval => 2,
            self::NumberRay => 1,
            default => 0,
        };
    }

    /** Whether it stands on a number line. */
    public function isOnLine(): bool
    {
        return in_array($this, [self::Point, self::Interval, self::NumberRay], true);
    }

    /** Whether it stands on a plane. */
    public function isOnPlane(): bool
    {
        return ! in_array($this, [self::Interval, self::NumberRay], true);
    }

    /** Whether it is a line of some sort, which can be dashed. */
    public function canBeDashed(): bool
    {
        return ! in_array($this, [self::Point, self::Interval, self::NumberRay], true);
    }
}
