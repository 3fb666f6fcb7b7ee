<?php

declare(strict_types=1);

namespace WideQuarry\Geometry;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** A place on a picture, in its units: x to the right, y down, from the top left corner. */
final readonly class Point
{
    /** What is as near as this, for its size, is compared exactly; floats have 2⁻⁵³. */
    public const DOUBT = 1e-12;

    /** Up to here products of whole numbers, and sums of a few, are exact in floats, which hold 2⁵³. */
    private const WHOLE = 1 << 24;

    public float $nearX;

    public float $nearY;

    /** Whether both are whole numbers that floats can calculate with exactly. */
    private bool $isWhole;

    public function __construct(public BigRational $x, public BigRational $y)
    {
        $this->nearX = Exact::float($x);
        $this->nearY = Exact::float($y);
        $this->isWhole = self::isWhole($x, $this->nearX) && self::isWhole($y, $this->nearY);
    }

    public static function of(string $x, string $y): self
    {
        return new self(Exact::of($x), Exact::of($y));
    }

    /**
     * A pair of JSON numbers, read from their decimal text.
     *
     * @return self|null null when it is none
     */
    public static function read(mixed $json): ?self
    {
        if (! is_array($json) || ! array_is_list($json) || count($json) !== 2) {
            return null;
        }
        $numbers = array_map(
            fn (mixed $number): ?BigRational => is_int($number) || is_float($number) ? Exact::read((string) json_encode($number)) : null,
            $json,
        );

        return $numbers[0] === null || $numbers[1] === null ? null : new self($numbers[0], $numbers[1]);
    }

    public function isAt(self $other): bool
    {
        return Exact::compare($this->x, $other->x) === 0 && Exact::compare($this->y, $other->y) === 0;
    }

    /** One text for the place; equal places have equal texts. */
    public function key(): string
    {
        return Exact::text($this->x).' '.Exact::text($this->y);
    }

    /** Whether it is above (-1), level with (0) or below (1) another. */
    public function compareHeight(self $other): int
    {
        $apart = $this->nearY - $other->nearY;

        return abs($apart) > self::DOUBT * (abs($this->nearY) + abs($other->nearY))
            ? $apart <=> 0.0
            : Exact::compare($this->y, $other->y);
    }

    /** Whether it is left of (-1), level with (0) or right of (1) another. */
    public function compareSide(self $other): int
    {
        $apart = $this->nearX - $other->nearX;

        return abs($apart) > self::DOUBT * (abs($this->nearX) + abs($other->nearX))
            ? $apart <=> 0.0
            : Exact::compare($this->x, $other->x);
    }

    /**
     * The side of the line from one point to another on which a third lies: -1, 0 (on the line) or 1. Floats answer where they are sure
     * to be right, and exact numbers where they are not (Shewchuk 1997, Adaptive Precision Floating-Point Arithmetic).
     */
    public static function turn(self $a, self $b, self $c): int
    {
        $left = ($b->nearX - $a->nearX) * ($c->nearY - $a->nearY);
        $right = ($b->nearY - $a->nearY) * ($c->nearX - $a->nearX);
        $size = (abs($a->nearX) + abs($b->nearX) + abs($c->nearX)) * (abs($a->nearY) + abs($b->nearY) + abs($c->nearY));
        if (abs($left - $right) > self::DOUBT * $size || ($a->isWhole && $b->isWhole && $c->isWhole)) {
            return $left <=> $right;
        }

        return $b->x->minus($a->x)->multipliedBy($c->y->minus($a->y))
            ->compareTo($b->y->minus($a->y)->multipliedBy($c->x->minus($a->x)));
    }

    private static function isWhole(BigRational $number, float $near): bool
    {
        return abs($near) < self::WHOLE && (string) $number->getDenominator() === '1';
    }
}
