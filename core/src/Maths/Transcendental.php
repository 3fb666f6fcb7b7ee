<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/** Exponentials, logarithms and trigonometry: exact where the result is rational and known to be, else with a bound of the error. */
final class Transcendental
{
    /** An angle beyond this is refused: nobody means it, and its digits would be lost. */
    private const ANGLE = 1_000_000_000_000;

    /** So many logarithms are remembered. */
    private const KEPT = 100;

    /** The sines that are rational for a rational number of degrees: Niven 1956, "Irrational Numbers", corollary 3.12. */
    private const SINES = [0 => '0', 30 => '1/2', 90 => '1', 150 => '1/2', 180 => '0', 210 => '-1/2', 270 => '-1', 330 => '-1/2'];

    private const TANGENTS = [0 => '0', 45 => '1', 135 => '-1'];

    public static function pi(): Approximation
    {
        /** @var Approximation|null $pi */
        static $pi = null;

        return $pi ??= Approximation::of(BigDecimal::of(Elementary::PI), BigDecimal::of('1e-99'));
    }

    public static function e(): Approximation
    {
        return Approximation::of(BigDecimal::of(Elementary::E), BigDecimal::of('1e-99'));
    }

    /** @throws ArithmeticProblem */
    public static function exp(int|BigRational|Approximation $x): int|Approximation
    {
        if ($x === 0) {
            return 1;
        }
        if (Arithmetic::compare($x, 1000) > 0 || Arithmetic::compare($x, -1000) < 0) {
            throw ArithmeticProblem::tooLarge();
        }

        $at = Arithmetic::approximate($x);
        if ($at->error()->reaches(gmp_init(1), 0)) {
            return self::monotone($x, Elementary::exp(...));
        }
        $value = Elementary::exp($at->value());
        // e^(x + d) - e^x is less than 2 d e^x for a d below 1
        $off = ErrorBound::ofDecimal($value)->times($at->error())->times(ErrorBound::of(2, 0));

        return Approximation::of($value, self::sureOf($value)->plus($off));
    }

    /** @throws ArithmeticProblem */
    public static function ln(int|BigRational|Approximation $x): int|Approximation
    {
        if (! Arithmetic::isPositive($x)) {
            throw ArithmeticProblem::logarithm();
        }

        if ($x === 1) {
            return 0;
        }
        $ln = fn (): Approximation => self::monotone($x, Elementary::ln(...));
        if (! is_int($x)) {
            return $ln();
        }
        /** @var array<int, Approximation> $known a formula such as 2^x is worked out at many places, and each takes the logarithm of 2 */
        static $known = [];
        if (count($known) > self::KEPT) {
            $known = [];
        }

        return $known[$x] ??= $ln();
    }

    /**
     * The logarithm to a base, exact where a power with a small denominator gives it: log(8, 4) is 3/2.
     *
     * @throws ArithmeticProblem
     */
    public static function log(int|BigRational|Approximation $x, int|BigRational|Approximation $base): int|BigRational|Approximation
    {
        $log = Arithmetic::over(self::ln($x), self::ln($base));
        if (! ($log instanceof Approximation) || $x instanceof Approximation || $base instanceof Approximation) {
            return $log;
        }
        for ($below = 1; $below <= 4; $below++) {
            $above = $log->value()->multipliedBy($below)->toScale(0, RoundingMode::HALF_UP);
            $isNear = $log->compare(Arithmetic::approximate(BigRational::of($above)->dividedBy($below))) === 0;
            if (
                $isNear && $above->abs()->isLessThan(4000) &&
                Arithmetic::compare(Arithmetic::power($base, $above->toInt()), Arithmetic::power($x, $below)) === 0
            ) {
                return Arithmetic::tidy(BigRational::of($above)->dividedBy($below));
            }
        }

        return $log;
    }

    /** @throws ArithmeticProblem */
    public static function sin(int|BigRational|Approximation $x, bool $cosine = false): int|Approximation
    {
        if ($x === 0) {
            return $cosine ? 1 : 0;
        }
        $at = self::angle($x);

        return Approximation::of(
            Elementary::sine($at->value(), $cosine),
            $at->error()->plus(self::sure()), // the slope is at most 1
        );
    }

    /** @throws ArithmeticProblem */
    public static function tan(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        return Arithmetic::over(self::sin($x), self::sin($x, true));
    }

    /** @throws ArithmeticProblem */
    public static function sind(int|BigRational|Approximation $x, bool $cosine = false): int|BigRational|Approximation
    {
        $x = $cosine ? Arithmetic::plus($x, 90) : $x;
        if ($x instanceof Approximation) {
            return self::sin(self::toRadians($x));
        }
        $turned = self::turned(Arithmetic::exact($x), 360);
        $known = is_int($turned) ? self::SINES[$turned] ?? null : null;

        return $known === null ? self::sin(self::toRadians($turned)) : Arithmetic::tidy(Exact::of($known));
    }

    /** @throws ArithmeticProblem */
    public static function tand(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        if ($x instanceof Approximation) {
            return self::tan(self::toRadians($x));
        }
        $turned = self::turned(Arithmetic::exact($x), 180);
        if ($turned === 90) {
            throw ArithmeticProblem::division();
        }
        $known = is_int($turned) ? self::TANGENTS[$turned] ?? null : null;

        return $known === null ? self::tan(self::toRadians($turned)) : (int) $known;
    }

    public static function atan(int|BigRational|Approximation $x): int|Approximation
    {
        return $x === 0 ? 0 : self::monotone($x, Elementary::arctangent(...));
    }

    /** @throws ArithmeticProblem */
    public static function asin(int|BigRational|Approximation $x): int|Approximation
    {
        if (Arithmetic::compare($x, 1) > 0 || Arithmetic::compare($x, -1) < 0) {
            throw ArithmeticProblem::outsideOne();
        }
        // the ends of an approximate 1 may lie beyond
        $inside = fn (BigDecimal $at): BigDecimal => BigDecimal::max(BigDecimal::of(-1), BigDecimal::min(BigDecimal::one(), $at));
        $arcsine = fn (BigDecimal $at): BigDecimal => Elementary::arcsine($inside($at));

        return $x === 0 ? 0 : self::monotone($x, $arcsine);
    }

    /** @throws ArithmeticProblem */
    public static function acos(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        return $x === 1 ? 0 : Arithmetic::plus(
            Arithmetic::over(self::pi(), 2),
            Arithmetic::negated(self::asin($x)),
        );
    }

    /** @throws ArithmeticProblem */
    public static function asind(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        foreach ($x instanceof Approximation ? [] : ['0' => 0, '1/2' => 30, '-1/2' => -30, '1' => 90, '-1' => -90] as $sine => $angle) {
            if (Arithmetic::compare($x, Exact::of((string) $sine)) === 0) {
                return $angle;
            }
        }

        return self::toDegrees(self::asin($x));
    }

    /** @throws ArithmeticProblem */
    public static function acosd(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        return Arithmetic::plus(90, Arithmetic::negated(self::asind($x)));
    }

    public static function atand(int|BigRational|Approximation $x): int|BigRational|Approximation
    {
        return match ($x) {
            0 => 0,
            1 => 45,
            -1 => -45,
            default => self::toDegrees(self::atan($x)),
        };
    }

    /**
     * A function that only rises or only falls: what its argument may be at least and at most bounds what it may be.
     *
     * @param  \Closure(BigDecimal): BigDecimal  $function
     */
    public static function monotone(int|BigRational|Approximation $x, \Closure $function): Approximation
    {
        $at = Arithmetic::approximate($x);
        $value = $function($at->value());
        $sure = self::sureOf($value);
        if ($at->error()->isZero()) {
            return Approximation::of($value, $sure);
        }
        [$low, $high] = $at->ends();
        $off = BigDecimal::max($function($low)->minus($value)->abs(), $function($high)->minus($value)->abs());

        return Approximation::of($value, $sure->plus(ErrorBound::ofDecimal($off)));
    }

    /** The rest after whole turns, from 0 on. */
    private static function turned(BigRational $degrees, int $turn): int|BigRational
    {
        $turns = $degrees->dividedBy($turn)->toScale(0, RoundingMode::FLOOR);

        return Arithmetic::tidy($degrees->minus($turns->toBigRational()->multipliedBy($turn)));
    }

    private static function toRadians(int|BigRational|Approximation $degrees): int|BigRational|Approximation
    {
        return Arithmetic::times(Arithmetic::over($degrees, 180), self::pi());
    }

    private static function toDegrees(int|BigRational|Approximation $radians): int|BigRational|Approximation
    {
        return Arithmetic::times(Arithmetic::over($radians, self::pi()), 180);
    }

    private static function angle(int|BigRational|Approximation $x): Approximation
    {
        return Arithmetic::compare($x, self::ANGLE) > 0 || Arithmetic::compare($x, -self::ANGLE) < 0
            ? throw ArithmeticProblem::tooLarge()
            : Arithmetic::approximate($x);
    }

    /** How far a value of a series may be from the true one. */
    private static function sureOf(BigDecimal $value): ErrorBound
    {
        return self::sure()->times(ErrorBound::ofDecimal($value)->plus(ErrorBound::of(1, 0)));
    }

    private static function sure(): ErrorBound
    {
        return ErrorBound::of(1, Elementary::SURE - 1);
    }
}
