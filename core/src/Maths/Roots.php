<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;

/** Roots, exact where the number is a power. */
final class Roots
{
    /**
     * @param  int  $n  above 0
     *
     * @throws ArithmeticProblem
     */
    public static function root(int|BigRational|Approximation $x, int $n): int|BigRational|Approximation
    {
        if (Arithmetic::sign($x) < 0) {
            return $n % 2 === 0
                ? throw ArithmeticProblem::rootOfNegative()
                : Arithmetic::negated(self::root(Arithmetic::negated($x), $n));
        }
        if (! ($x instanceof Approximation)) {
            $root = self::exact(Arithmetic::exact($x), $n);
            if ($root !== null) {
                return Arithmetic::tidy($root);
            }
        } elseif ($x->mayBeZero()) {
            // between 0 and the root of what it may be at most
            return Approximation::zeroWithin(self::decimal($x->ends()[1], $n));
        }

        return Transcendental::monotone($x, fn (BigDecimal $at): BigDecimal => self::decimal($at, $n));
    }

    /** The root of a number from 0 on, when it is rational. */
    public static function exact(BigRational $x, int $n): ?BigRational
    {
        if ($n === 1 || $x->isZero()) {
            return $x;
        }
        $x = $x->simplified();
        $below = self::wholeRoot($x->getDenominator(), $n);
        if ($below === null) {
            return null;
        }
        $above = self::wholeRoot($x->getNumerator(), $n);

        return $above === null ? null : BigRational::nd($above, $below);
    }

    /** By Newton's method from above, on whole numbers. */
    private static function wholeRoot(BigInteger $x, int $n): ?BigInteger
    {
        if ($x->isLessThanOrEqualTo(1)) {
            return $x;
        }
        $length = intdiv(strlen((string) $x) * 3322, 1000) + 1; // its bits or a few more; counting them takes long
        if ($length <= $n) {
            return null; // between 1 and 2
        }
        $root = BigInteger::one()->shiftedLeft(intdiv($length, $n) + 1);
        do {
            $before = $root;
            $root = $before->multipliedBy($n - 1)->plus($x->quotient($before->power($n - 1)))->quotient($n);
        } while ($root->isLessThan($before));

        return $before->power($n)->isEqualTo($x) ? $before : null;
    }

    private static function decimal(BigDecimal $x, int $n): BigDecimal
    {
        if ($x->isZero() || $x->isNegative()) {
            return BigDecimal::zero();
        }
        if ($n === 2) {
            return $x->sqrt(Elementary::SURE + max(0, intdiv($x->getScale() - strlen((string) $x->getUnscaledValue()), 2) + 1));
        }

        return Elementary::exp(BigDecimal::of(bcdiv(Elementary::ln($x), (string) $n, Elementary::SURE + 5)));
    }
}
