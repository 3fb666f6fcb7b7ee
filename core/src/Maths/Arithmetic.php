<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/**
 * Sums, products and powers: exact as long as both sides are, approximate from then on. A whole number that fits is a PHP integer,
 * since nearly all numbers of a question are.
 *
 * @phpstan-type Quantity int|BigRational|Approximation
 */
final class Arithmetic
{
    /** Digits beyond this are refused: nobody means them, and they cost time. */
    private const DIGITS = 4000;

    /** Whole numbers up to here add and multiply without overflow. */
    private const SMALL = 1_000_000_000;

    public static function plus(int|BigRational|Approximation $a, int|BigRational|Approximation $b): int|BigRational|Approximation
    {
        if (is_int($a) && is_int($b) && abs($a) < self::SMALL && abs($b) < self::SMALL) {
            return $a + $b;
        }

        if ($a instanceof Approximation || $b instanceof Approximation) {
            return self::approximate($a)->plus(self::approximate($b));
        }
        [$one, $other] = [self::small($a), self::small($b)];

        return $one === null || $other === null
            ? self::tidy(self::exact($a)->plus(self::exact($b)))
            : self::fraction($one[0] * $other[1] + $other[0] * $one[1], $one[1] * $other[1]);
    }

    public static function negated(int|BigRational|Approximation $a): int|BigRational|Approximation
    {
        return match (true) {
            is_int($a) => $a === PHP_INT_MIN ? BigRational::of($a)->negated() : -$a,
            default => $a->negated(),
        };
    }

    public static function times(int|BigRational|Approximation $a, int|BigRational|Approximation $b): int|BigRational|Approximation
    {
        if (is_int($a) && is_int($b) && abs($a) < self::SMALL && abs($b) < self::SMALL) {
            return $a * $b;
        }
        if ($a === 0 || $b === 0) {
            return 0;
        }

        if ($a instanceof Approximation || $b instanceof Approximation) {
            return self::approximate($a)->times(self::approximate($b));
        }
        [$one, $other] = [self::small($a), self::small($b)];

        return $one === null || $other === null
            ? self::tidy(self::exact($a)->multipliedBy(self::exact($b)))
            : self::fraction($one[0] * $other[0], $one[1] * $other[1]);
    }

    /** @throws ArithmeticProblem when $b is zero, or cannot be told from it */
    public static function over(int|BigRational|Approximation $a, int|BigRational|Approximation $b): int|BigRational|Approximation
    {
        if ($a instanceof Approximation && is_int($b) && $b !== 0 && $b !== PHP_INT_MIN) {
            return $a->over($b);
        }
        if ($b instanceof Approximation || $a instanceof Approximation) {
            $below = self::approximate($b)->reciprocal() ?? throw ArithmeticProblem::division();

            return $a === 0 ? 0 : self::approximate($a)->times($below);
        }
        if (self::sign($b) === 0) {
            throw ArithmeticProblem::division();
        }
        [$one, $other] = [self::small($a), self::small($b)];

        return $one === null || $other === null
            ? self::tidy(self::exact($a)->dividedBy(self::exact($b)))
            : self::fraction($one[0] * $other[1], $one[1] * $other[0]);
    }

    /**
     * A power; a fraction of a power is a root, exact where it can be: 8^(2/3) is 4.
     *
     * @throws ArithmeticProblem
     */
    public static function power(
        int|BigRational|Approximation $base,
        int|BigRational|Approximation $exponent,
    ): int|BigRational|Approximation {
        if ($exponent instanceof BigRational) {
            $below = $exponent->getDenominator();
            $root = self::sign($base) >= 0 && $below->isLessThanOrEqualTo(100) && ! ($base instanceof Approximation)
                ? Roots::exact(self::exact($base), $below->toInt())
                : null;
            if ($root !== null) {
                return self::power(self::tidy($root), self::tidy(BigRational::of($exponent->getNumerator())));
            }
        }
        if (is_int($exponent)) {
            return self::wholePower($base, $exponent);
        }
        if (! self::isPositive($base)) {
            throw self::sign($base) === 0 && self::sign($exponent) > 0
                ? ArithmeticProblem::tooLarge()
                : ArithmeticProblem::rootOfNegative();
        }

        return Transcendental::exp(self::times($exponent, Transcendental::ln($base)));
    }

    /** -1, 0 or 1; 0 also where approximate numbers cannot be told apart. */
    public static function compare(int|BigRational|Approximation $a, int|BigRational|Approximation $b): int
    {
        return match (true) {
            is_int($a) && is_int($b) => $a <=> $b,
            $a instanceof Approximation || $b instanceof Approximation => self::approximate($a)->compare(self::approximate($b)),
            default => Exact::compare(self::exact($a), self::exact($b)),
        };
    }

    public static function sign(int|BigRational|Approximation $a): int
    {
        return match (true) {
            is_int($a) => $a <=> 0,
            $a instanceof Approximation => $a->sign(),
            default => $a->getSign(),
        };
    }

    public static function isPositive(int|BigRational|Approximation $a): bool
    {
        return self::sign($a) > 0;
    }

    public static function exact(int|BigRational $a): BigRational
    {
        return is_int($a) ? BigRational::of($a) : $a;
    }

    /** What a key or a condition takes it for: itself where it is exact, else its decimal of 30 figures. */
    public static function rational(int|BigRational|Approximation $a): BigRational
    {
        return $a instanceof Approximation ? $a->toRational() : self::exact($a);
    }

    public static function approximate(int|BigRational|Approximation $a): Approximation
    {
        return match (true) {
            is_int($a) => Approximation::whole($a),
            $a instanceof BigRational => Approximation::ofRational($a),
            default => $a,
        };
    }

    /** In lowest terms, and as an integer where it is one that fits. */
    public static function tidy(BigRational|BigInteger $value): int|BigRational
    {
        if ($value instanceof BigInteger) {
            return strlen((string) $value) < 19 ? $value->toInt() : self::bounded(BigRational::of($value));
        }
        $value = Exact::simplified($value);

        return (string) $value->getDenominator() === '1' && strlen((string) $value->getNumerator()) < 19
            ? (int) (string) $value->getNumerator()
            : self::bounded($value);
    }

    /** @return array{int, int}|null numerator and denominator, where integers hold what is done with them */
    private static function small(int|BigRational $a): ?array
    {
        return is_int($a) ? (abs($a) < self::SMALL ? [$a, 1] : null) : Exact::small($a);
    }

    /** In lowest terms. */
    private static function fraction(int $above, int $below): int|BigRational
    {
        if ($below < 0) {
            [$above, $below] = [-$above, -$below];
        }
        $common = Exact::common($above, $below);
        $below = intdiv($below, $common);

        return $below === 1 ? intdiv($above, $common) : BigRational::nd(intdiv($above, $common), $below);
    }

    /** Rounds half away from zero to so many decimals; below 0, to tens, hundreds … */
    public static function rounded(int|BigRational|Approximation $x, int $places): int|BigRational
    {
        if (is_int($x) && $places >= 0) {
            return $x;
        }
        $small = $x instanceof BigRational && $places >= 0 && $places <= 8 ? Exact::small($x) : null;
        if ($small !== null) {
            [$above, $below] = $small;
            $ten = 10 ** $places;

            return self::fraction(($above <=> 0) * intdiv(2 * abs($above) * $ten + $below, 2 * $below), $ten);
        }
        $step = BigRational::of(10)->power(abs($places));

        return self::tidy(Exact::toStep(self::rational($x), $places < 0 ? $step : $step->reciprocal()));
    }

    private static function wholePower(int|BigRational|Approximation $base, int $times): int|BigRational|Approximation
    {
        if ($times === 0) {
            return 1;
        }
        if ($times < 0) {
            return self::over(1, self::wholePower($base, -max($times, -PHP_INT_MAX)));
        }
        if ($base instanceof Approximation) {
            $power = $base;
            $bits = decbin($times > 100_000 ? throw ArithmeticProblem::tooLarge() : $times);
            for ($i = 1; $i < strlen($bits); $i++) {
                $power = $power->times($power);
                $power = $bits[$i] === '1' ? $power->times($base) : $power;
                if ($power->isBeyond(self::DIGITS)) {
                    throw ArithmeticProblem::tooLarge();
                }
            }

            return $power;
        }
        if ($base === 0 || $base === 1 || $base === -1) {
            return $base === -1 && $times % 2 === 0 ? 1 : $base;
        }
        $exact = self::exact($base);
        $digits = max(strlen((string) $exact->getNumerator()->abs()), strlen((string) $exact->getDenominator()));
        if ($times > self::DIGITS * 4 || ($digits - 0.7) * $times > self::DIGITS) {
            throw ArithmeticProblem::tooLarge();
        }

        return self::tidy($exact->power($times));
    }

    private static function bounded(BigRational $value): BigRational
    {
        return strlen((string) $value->getNumerator()) + strlen((string) $value->getDenominator()) > self::DIGITS
            ? throw ArithmeticProblem::tooLarge()
            : $value;
    }

    /** The whole number at or below, at or above, or nearest; halves away from zero. */
    public static function whole(int|BigRational|Approximation $a, RoundingMode $mode): int|BigRational
    {
        return is_int($a) ? $a : self::tidy(self::rational($a)->toScale(0, $mode)->toBigInteger());
    }
}
