<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

/** A closed area of a picture: its edge belongs to it. */
interface Shape
{
    /** Exact, whatever the size of the numbers. */
    public function holds(Point $point): bool;

    public function box(): Box;

    /** Whether it covers any area at all. */
    public function hasArea(): bool;

    /** Whether its outline meets itself, so that what is inside is hard to tell. */
    public function crossesItself(): bool;

    /**
     * Places on its edge that show how far it goes: the corners, or where an ellipse turns.
     *
     * @return non-empty-list<Point>
     */
    public function outline(): array;

    /** A place inside it, for a number that stands on it. */
    public function middle(): Point;
}
