<?php

declare(strict_types=1);

namespace WideQuarry\Units;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** A unit, perhaps of several factors: how many coherent SI units it is, and what it measures. */
final readonly class Unit
{
    /**
     * @param  string  $symbol  as it is written: "m s⁻²"
     * @param  BigRational  $factor  coherent SI units in one of it
     * @param  BigRational  $offset  what 0 of it is in SI units: 273.15 of °C; 0 of all but temperatures
     * @param  string  $root  the same without prefixes, in one order: two units with one root differ by a power of ten
     */
    public function __construct(
        public string $symbol,
        public BigRational $factor,
        public BigRational $offset,
        public Dimension $dimension,
        public string $root,
    ) {
    }

    /** A number of this unit in another one of the same dimension. */
    public function convert(BigRational $number, self $to): BigRational
    {
        return $number->multipliedBy($this->factor)
            ->plus($this->offset)
            ->minus($to->offset)
            ->dividedBy($to->factor)
            ->simplified();
    }

    /** Whether a number of one is the same number of the other: "N m" and "J", but not "m" and "km". */
    public function isSame(self $other): bool
    {
        return $this->dimension->equals($other->dimension) &&
            Exact::compare($this->factor, $other->factor) === 0 &&
            Exact::compare($this->offset, $other->offset) === 0;
    }

    /** Whether only prefixes differ. */
    public function differsByPrefix(self $other): bool
    {
        return $this->root === $other->root && ! $this->isSame($other);
    }
}
