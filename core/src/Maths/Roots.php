<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

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

    private static function wholeRoot(BigInteger $x, int $n): ?BigInteger
    {
        [$root, $rest] = gmp_rootrem(gmp_init((string) $x), $n);

        return gmp_sign($rest) === 0 ? BigInteger::of(gmp_strval($root)) : null;
    }

    private static function decimal(BigDecimal $x, int $n): BigDecimal
    {
        if ($x->isZero() || $x->isNegative()) {
            return BigDecimal::zero();
        }
        if ($n === 2) {
            return $x->sqrt(Elementary::SURE + max(0, intdiv($x->getScale() - strlen((string) $x->getUnscaledValue()), 2) + 1));
        }

        return Elementary::exp(Elementary::ln($x)->dividedBy($n, Elementary::SURE + 5, RoundingMode::DOWN));
    }
}
