<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\RoundingMode;

/**
 * Elementary functions of a decimal to 55 places, by series after bringing the argument near 0 (Muller 2016, "Elementary Functions",
 * chapters 3 and 11). Inside, a number is a whole one of GMP that counts units of 10^-PLACES; division cuts, so each step loses less than
 * a unit.
 */
final class Elementary
{
    /** Places that are sure: a series has fewer than 100 terms. */
    public const SURE = 55;

    /** Places that are carried. */
    private const PLACES = 64;

    /** Places of an angle before its quarter turns are taken away: there may be 10^12 of them. */
    private const ANGLE_PLACES = 90;

    /** Of the argument of an exponential. */
    private const HALVINGS = 7;

    /** Of the angle of an arctangent. */
    private const ANGLE_HALVINGS = 3;

    /** To 100 places; the digits are those of the sequences A000796, A001113, A002162 and A002392 of the OEIS. */
    public const PI = '3.1415926535897932384626433832795028841971693993751058209749445923078164062862089986280348253421170679';

    public const E = '2.7182818284590452353602874713526624977572470936999595749669676277240766303535475945713821785251664274';

    private const LN2 = '0.6931471805599453094172321214581765680755001343602552541206800094933936219696947156058633269964186875';

    private const LN10 = '2.3025850929940456840179914546843642076011014886287729760333279009675726096773524802359972050895982983';

    /** e to the power of a number between -1000 and 1000, as mantissa × 2^exponent. */
    public static function exp(BigDecimal $x): BigDecimal
    {
        $times = (int) round($x->toFloat() / M_LN2);
        $rest = self::cut(self::units($x, self::ANGLE_PLACES) - self::constant(self::LN2, self::ANGLE_PLACES) * $times);
        // a smaller argument takes fewer terms; squaring back doubles what was lost each time
        $rest = $rest / (1 << self::HALVINGS);
        $one = PowersOfTen::of(self::PLACES);
        $sum = $term = $one;
        for ($n = 1; gmp_sign($term) !== 0; $n++) {
            $term = $term * $rest / ($one * $n);
            $sum = $sum + $term;
        }
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $sum = $sum * $sum / $one;
        }
        $two = BigDecimal::of(2)->power(abs($times));

        return $times >= 0
            ? self::decimal($sum)->multipliedBy($two)
            : self::decimal($sum)->dividedBy($two, self::SURE + (int) ceil(-$times * 0.302), RoundingMode::HALF_EVEN);
    }

    /** The natural logarithm of a number above 0. */
    public static function ln(BigDecimal $x): BigDecimal
    {
        $digits = (string) $x->getUnscaledValue();
        $tens = strlen($digits) - 1 - $x->getScale();
        $mantissa = self::units(BigDecimal::ofUnscaledValue($digits, strlen($digits) - 1), self::PLACES);
        $one = PowersOfTen::of(self::PLACES);
        for ($halves = 0; $mantissa * 5 > $one * 7; $halves++) {
            $mantissa = $mantissa / 2;
        }
        $moved = self::constant(self::LN10, self::PLACES) * $tens + self::constant(self::LN2, self::PLACES) * $halves;
        $z = ($mantissa - $one) * $one / ($mantissa + $one);

        return self::decimal($moved + self::series($z, 1) * 2);
    }

    /** The sine, or the cosine, of an angle in radians below 10^12. */
    public static function sine(BigDecimal $x, bool $cosine = false): BigDecimal
    {
        $half = self::constant(self::PI, self::ANGLE_PLACES) / 2;
        $angle = self::units($x, self::ANGLE_PLACES);
        $quarters = gmp_div_q($angle + $half / 2, $half, GMP_ROUND_MINUSINF);
        $rest = self::cut($angle - $quarters * $half);
        $quadrant = (gmp_intval(gmp_mod($quarters, 4)) + ($cosine ? 1 : 0)) % 4;
        $one = PowersOfTen::of(self::PLACES);
        $square = $rest * $rest / $one;
        $sum = $term = $quadrant % 2 === 0 ? $rest : $one;
        for ($n = $quadrant % 2 === 0 ? 2 : 1; gmp_sign($term) !== 0; $n += 2) {
            $term = $term * $square / ($one * (-$n * ($n + 1)));
            $sum = $sum + $term;
        }

        return self::decimal($quadrant >= 2 ? -$sum : $sum);
    }

    /** The angle in radians whose tangent is $x. */
    public static function arctangent(BigDecimal $x): BigDecimal
    {
        return self::decimal(self::angleOf(self::units($x, self::PLACES)));
    }

    /** The angle in radians whose sine is $x, which is from -1 to 1. */
    public static function arcsine(BigDecimal $x): BigDecimal
    {
        $sine = self::units($x, self::PLACES);
        $cosine = gmp_sqrt(PowersOfTen::of(2 * self::PLACES) - $sine * $sine);

        return self::decimal(
            gmp_sign($cosine) === 0
                ? self::quarterTurn() * gmp_sign($sine)
                : self::angleOf($sine * PowersOfTen::of(self::PLACES) / $cosine),
        );
    }

    private static function angleOf(\GMP $tangent): \GMP
    {
        $one = PowersOfTen::of(self::PLACES);
        if ($tangent < 0) {
            return -self::angleOf(-$tangent);
        }
        if ($tangent > $one) {
            return self::quarterTurn() - self::angleOf($one * $one / $tangent);
        }
        for ($times = 0; $times < self::ANGLE_HALVINGS; $times++) {
            $tangent = $tangent * $one / ($one + gmp_sqrt($one * $one + $tangent * $tangent));
        }

        return self::series($tangent, -1) * (1 << self::ANGLE_HALVINGS);
    }

    /** z + s z³/3 + z⁵/5 + s z⁷/7 …: artanh z with the sign 1, arctan z with −1. */
    private static function series(\GMP $z, int $sign): \GMP
    {
        $one = PowersOfTen::of(self::PLACES);
        $square = $z * $z * $sign / $one;
        $sum = $power = $z;
        for ($n = 3; gmp_sign($power) !== 0; $n += 2) {
            $power = $power * $square / $one;
            $sum = $sum + $power / $n;
        }

        return $sum;
    }

    private static function quarterTurn(): \GMP
    {
        return self::constant(self::PI, self::PLACES) / 2;
    }

    /** From units of an angle to those of everything else. */
    private static function cut(\GMP $units): \GMP
    {
        return $units / PowersOfTen::of(self::ANGLE_PLACES - self::PLACES);
    }

    private static function units(BigDecimal $x, int $places): \GMP
    {
        $digits = gmp_init((string) $x->getUnscaledValue());
        $missing = $places - $x->getScale();

        return $missing >= 0 ? $digits * PowersOfTen::of($missing) : $digits / PowersOfTen::of(-$missing);
    }

    private static function decimal(\GMP $units): BigDecimal
    {
        return BigDecimal::ofUnscaledValue(BigInteger::of(gmp_strval($units)), self::PLACES);
    }

    private static function constant(string $digits, int $places): \GMP
    {
        /** @var array<string, \GMP> $known */
        static $known = [];

        return $known["$digits $places"] ??= self::units(BigDecimal::of($digits), $places);
    }
}
