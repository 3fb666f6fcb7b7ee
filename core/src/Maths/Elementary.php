<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\RoundingMode;

/**
 * Elementary functions of a decimal to 55 places, by series after bringing the argument near 0 (Muller 2016, "Elementary Functions",
 * chapters 3 and 11). Decimals are strings, as bcmath takes them; bcmath cuts, so each step loses less than 10^-SCALE.
 */
final class Elementary
{
    /** Places that are carried. */
    private const SCALE = 64;

    /** Places that are sure: a series has fewer than 100 terms. */
    public const SURE = 55;

    /** Of the argument of an exponential. */
    private const HALVINGS = 7;

    /** To 100 places; the digits are those of the sequences A000796, A001113, A002162 and A002392 of the OEIS. */
    public const PI = '3.1415926535897932384626433832795028841971693993751058209749445923078164062862089986280348253421170679';

    public const E = '2.7182818284590452353602874713526624977572470936999595749669676277240766303535475945713821785251664274';

    private const LN2 = '0.6931471805599453094172321214581765680755001343602552541206800094933936219696947156058633269964186875';

    private const LN10 = '2.3025850929940456840179914546843642076011014886287729760333279009675726096773524802359972050895982983';

    /** e to the power of a number between -1000 and 1000, as mantissa × 2^exponent. */
    public static function exp(BigDecimal $x): BigDecimal
    {
        $text = self::text($x);
        $times = (int) round((float) $text / M_LN2);
        $rest = bcsub($text, bcmul((string) $times, self::LN2, self::SCALE + 30), self::SCALE);
        // a smaller argument takes fewer terms; squaring back doubles what was lost each time
        $rest = bcdiv($rest, (string) (1 << self::HALVINGS), self::SCALE);
        $sum = $term = '1';
        for ($n = 1; bccomp($term, '0', self::SCALE) !== 0; $n++) {
            $term = bcdiv(bcmul($term, $rest, self::SCALE), (string) $n, self::SCALE);
            $sum = bcadd($sum, $term, self::SCALE);
        }
        for ($i = 0; $i < self::HALVINGS; $i++) {
            $sum = bcmul($sum, $sum, self::SCALE);
        }
        $two = BigDecimal::of(2)->power(abs($times));

        return $times >= 0
            ? BigDecimal::of($sum)->multipliedBy($two)
            : BigDecimal::of($sum)->dividedBy($two, self::SURE + (int) ceil(-$times * 0.302), RoundingMode::HALF_EVEN);
    }

    /**
     * The natural logarithm of a number above 0.
     *
     * @return numeric-string
     */
    public static function ln(BigDecimal $x): string
    {
        /** @var numeric-string $digits */
        $digits = ltrim((string) $x->getUnscaledValue(), '0');
        $tens = strlen($digits) - 1 - $x->getScale();
        $mantissa = bcdiv($digits, bcpow('10', (string) (strlen($digits) - 1)), self::SCALE);
        $halves = 0;
        while (bccomp($mantissa, '1.4', 4) > 0) {
            $mantissa = bcdiv($mantissa, '2', self::SCALE);
            $halves++;
        }

        $moved = bcadd(bcmul((string) $tens, self::LN10, self::SCALE), bcmul((string) $halves, self::LN2, self::SCALE), self::SCALE);
        $z = bcdiv(bcsub($mantissa, '1', self::SCALE), bcadd($mantissa, '1', self::SCALE), self::SCALE);

        return bcadd($moved, bcmul('2', self::series($z, 1), self::SCALE), self::SCALE);
    }

    /**
     * The square root of a number from 0 to 10^30, by Newton's method from the float's: bcsqrt takes ten times as long.
     *
     * @param  numeric-string  $x
     * @return numeric-string
     */
    public static function root(string $x): string
    {
        /** @var numeric-string $root */
        $root = sprintf('%.20F', sqrt((float) $x));
        if (bccomp($root, '0', 20) === 0) {
            return bcsqrt($x, self::SCALE);
        }
        for ($times = 0; $times < 4; $times++) {
            $root = bcdiv(bcadd($root, bcdiv($x, $root, self::SCALE + 2), self::SCALE + 2), '2', self::SCALE + 2);
        }

        return $root;
    }

    /**
     * The sine, or the cosine, of an angle in radians below 10^12.
     *
     * @param  numeric-string  $x
     * @return numeric-string
     */
    public static function sine(string $x, bool $cosine = false): string
    {
        $half = bcdiv(self::PI, '2', 90);
        $quarters = bcadd(bcdiv($x, $half, 10), bccomp($x, '0', 90) < 0 ? '-0.5' : '0.5', 0);
        $rest = bcsub($x, bcmul($quarters, $half, 90), self::SCALE);
        $quadrant = (((int) bcmod($quarters, '4')) + ($cosine ? 1 : 0) + 4) % 4;
        $square = bcmul($rest, $rest, self::SCALE);
        $term = $quadrant % 2 === 0 ? $rest : '1';
        $sum = $term;
        for ($n = $quadrant % 2 === 0 ? 2 : 1; bccomp($term, '0', self::SCALE) !== 0; $n += 2) {
            $term = bcdiv(bcmul($term, $square, self::SCALE), (string) (-$n * ($n + 1)), self::SCALE);
            $sum = bcadd($sum, $term, self::SCALE);
        }

        return $quadrant >= 2 ? bcmul($sum, '-1', self::SCALE) : $sum;
    }

    /**
     * The angle in radians whose tangent is $x.
     *
     * @param  numeric-string  $x
     * @return numeric-string
     */
    public static function arctangent(string $x): string
    {
        if (bccomp($x, '0', self::SCALE) < 0) {
            return bcmul('-1', self::arctangent(bcmul($x, '-1', self::SCALE)), self::SCALE);
        }
        if (bccomp($x, '1', self::SCALE) > 0) {
            return bcsub(bcdiv(self::PI, '2', self::SCALE), self::arctangent(bcdiv('1', $x, self::SCALE)), self::SCALE);
        }
        for ($times = 0; $times < 3; $times++) { // half the angle
            $x = bcdiv($x, bcadd('1', self::root(bcadd('1', bcmul($x, $x, self::SCALE), self::SCALE)), self::SCALE), self::SCALE);
        }

        return bcmul('8', self::series($x, -1), self::SCALE);
    }

    /**
     * The angle in radians whose sine is $x, which is from -1 to 1.
     *
     * @param  numeric-string  $x
     * @return numeric-string
     */
    public static function arcsine(string $x): string
    {
        $other = self::root(bcsub('1', bcmul($x, $x, 2 * self::SCALE), 2 * self::SCALE));
        if (bccomp($other, '0', self::SCALE) === 0) {
            return bcmul($x, bcdiv(self::PI, '2', self::SCALE), self::SCALE);
        }

        return self::arctangent(bcdiv($x, $other, self::SCALE));
    }

    /** @return numeric-string to 90 places at most */
    public static function text(BigDecimal $x): string
    {
        /** @var numeric-string */
        return (string) ($x->getScale() > 90 ? $x->toScale(90, RoundingMode::HALF_EVEN) : $x);
    }

    /**
     * z + s z³/3 + z⁵/5 + s z⁷/7 …: artanh z with the sign 1, arctan z with −1.
     *
     * @param  numeric-string  $z
     * @return numeric-string
     */
    private static function series(string $z, int $sign): string
    {
        $square = bcmul(bcmul($z, $z, self::SCALE), (string) $sign, self::SCALE);
        $sum = $power = $z;
        for ($n = 3; bccomp($power, '0', self::SCALE) !== 0; $n += 2) {
            $power = bcmul($power, $square, self::SCALE);
            $sum = bcadd($sum, bcdiv($power, (string) $n, self::SCALE), self::SCALE);
        }

        return $sum;
    }
}
