<?php

declare(strict_types=1);

namespace WideQuarry\Numbers;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;

/** Exact numbers as they stand in our JSON: "3/4", "0.1", "-2", "6.02e23". */
final class Exact
{
    /** Digits and exponents beyond this are refused: nobody means them, and they cost time. */
    private const LIMIT = 400;

    /** @var array<string, BigRational> read before; only short texts, at most 1,000 of them */
    private static array $read = [];

    /** @var \WeakMap<BigRational, string>|null what text() gave: results say the same few numbers again and again */
    private static ?\WeakMap $texts = null;

    /** @return BigRational|null null when the text is no exact number */
    public static function read(string $text): ?BigRational
    {
        if (isset(self::$read[$text])) {
            return self::$read[$text]; // @pest-mutate-ignore a cache changes nothing but time
        }
        if (
            strlen($text) > self::LIMIT ||
            preg_match('~^-?\d+(?:\.\d+)?(?:[eE]([+-]?\d{1,4})|/0*[1-9]\d*)?$~D', $text, $m) !== 1 ||
            abs((int) ($m[1] ?? 0)) > self::LIMIT
        ) {
            return null;
        }
        [$top, $bottom] = [...explode('/', $text), '1'];
        $value = BigRational::of($top)->dividedBy($bottom)->simplified();
        if (strlen($text) <= 12 && count(self::$read) < 1000) { // @pest-mutate-ignore
            self::$read[$text] = $value;
        }

        return $value;
    }

    /** @throws \LogicException on text that is no exact number: for constants and for what was checked before */
    public static function of(string $text): BigRational
    {
        return self::read($text) ?? throw new \LogicException("Not an exact number: $text");
    }

    public static function zero(): BigRational
    {
        return self::of('0');
    }

    public static function one(): BigRational
    {
        return self::of('1');
    }

    /**
     * -1, 0 or 1, as BigRational::compareTo. Numbers of a question are short, and short ones are compared as integers: a / b and c / d by
     * ad and cb, whose 18 digits an integer holds.
     */
    public static function compare(BigRational $one, BigRational $other): int
    {
        if ($one === $other) {
            return 0; // @pest-mutate-ignore only faster
        }
        [$a, $b] = [(string) $one->getNumerator(), (string) $one->getDenominator()];
        [$c, $d] = [(string) $other->getNumerator(), (string) $other->getDenominator()];

        return max(strlen($a), strlen($b), strlen($c), strlen($d)) <= 9
            ? (int) $a * (int) $d <=> (int) $c * (int) $b
            : $one->compareTo($other);
    }

    /**
     * The value, or the bound it is beyond; given back as it is within them. Most bounds are 0 and 1, and most values too, so that signs
     * and sameness say it without arithmetic.
     */
    public static function within(BigRational $value, BigRational $low, BigRational $high): BigRational
    {
        return match (true) {
            $value === $low, $value === $high => $value, // @pest-mutate-ignore only faster
            $low->isZero() ? $value->isNegative() : self::compare($value, $low) < 0 => $low,
            self::compare($value, $high) > 0 => $high,
            default => $value,
        };
    }

    /** Whether a credit is all there is: 1, or more where rules add up to more. */
    public static function isAll(BigRational $credit): bool
    {
        return self::compare($credit, self::one()) >= 0;
    }

    /** A product; most factors here are 0 or 1. */
    public static function times(BigRational $value, BigRational $factor): BigRational
    {
        return match (true) {
            $factor === self::one() => $value, // @pest-mutate-ignore only faster
            $factor->isZero() => self::zero(), // @pest-mutate-ignore
            default => $value->multipliedBy($factor)->simplified(),
        };
    }

    /** A sum; one of the two is often 0. */
    public static function plus(BigRational $one, BigRational $other): BigRational
    {
        return match (true) {
            $one->isZero() => $other, // @pest-mutate-ignore only faster
            $other->isZero() => $one, // @pest-mutate-ignore
            default => $one->plus($other),
        };
    }

    /** In lowest terms; a whole number is in them without asking. */
    public static function simplified(BigRational $value): BigRational
    {
        $small = self::small($value);
        if ($small === null) {
            return $value->simplified();
        }
        $common = self::common(...$small);

        return $common === 1 ? $value : BigRational::nd(intdiv($small[0], $common), intdiv($small[1], $common));
    }

    /**
     * Numerator and denominator where both have at most 9 digits, so that integers hold what is done with them; most do.
     *
     * @return array{int, int}|null
     */
    public static function small(BigRational $value): ?array
    {
        [$above, $below] = [(string) $value->getNumerator(), (string) $value->getDenominator()];

        return strlen($above) <= 9 && strlen($below) <= 9 ? [(int) $above, (int) $below] : null;
    }

    /** The nearest float, or one beside it. */
    public static function float(BigRational $value): float
    {
        $small = self::small($value);

        return $small === null ? $value->toFloat() : $small[0] / $small[1];
    }

    /** The greatest common divisor, at least 1. */
    public static function common(int $a, int $b): int
    {
        $a = abs($a);
        while ($b !== 0) {
            [$a, $b] = [$b, $a % $b];
        }

        return max(1, $a);
    }

    public static function text(BigRational $value): string
    {
        self::$texts ??= new \WeakMap;

        return self::$texts[$value] ??= (string) self::simplified($value); // @pest-mutate-ignore a cache changes nothing but time
    }

    /** The finite decimal, or null when there is none (1/3). */
    public static function decimal(BigRational $value): ?string
    {
        $value = self::simplified($value);
        $small = self::small($value);
        if ($small !== null) {
            return self::smallDecimal(...$small);
        }
        $rest = $value->getDenominator();
        $scale = 0;
        foreach ([2, 5] as $prime) {
            for ($times = 0; $rest->remainder($prime)->isZero(); $times++) {
                $rest = $rest->quotient($prime);
            }
            $scale = max($scale, $times);
        }

        return $rest->isEqualTo(1) ? (string) $value->toScale($scale) : null;
    }

    private static function smallDecimal(int $above, int $below): ?string
    {
        for ($scale = 0, $ten = 1; $ten % $below !== 0; $scale++, $ten *= 10) {
            if ($scale > 9) { // a denominator of 9 digits with a finite decimal may need up to 29
                $value = BigRational::nd($above, $below);
                $rest = $below;
                foreach ([2, 5] as $prime) {
                    while ($rest % $prime === 0) {
                        $rest = intdiv($rest, $prime);
                    }
                }

                return $rest === 1 ? (string) $value->toScale(30, RoundingMode::UNNECESSARY)->stripTrailingZeros() : null;
            }
        }
        $digits = (string) abs($above * intdiv($ten, $below));
        $padded = str_pad($digits, $scale + 1, '0', STR_PAD_LEFT);

        return ($above < 0 ? '-' : '').($scale === 0 ? $digits : substr($padded, 0, -$scale).'.'.substr($padded, -$scale));
    }

    /** Rounds half away from zero to a multiple of $step, which is above zero; what is one is given back as it is. */
    public static function toStep(BigRational $value, BigRational $step): BigRational
    {
        [$a, $b] = [self::small($value), self::small($step)];
        if ($a !== null && $b !== null && $a[0] * $b[1] % ($a[1] * $b[0]) === 0) { // @pest-mutate-ignore only faster
            return $value; // @pest-mutate-ignore
        }
        $steps = $value->dividedBy($step)->simplified();
        if ($steps->getDenominator()->isEqualTo(1)) { // @pest-mutate-ignore only faster
            return $value; // @pest-mutate-ignore
        }

        return $steps->toScale(0, RoundingMode::HALF_UP)->toBigRational()->multipliedBy($step)->simplified();
    }

    /** Rounds half away from zero to $places decimals. */
    public static function toPlaces(BigRational $value, int $places): BigDecimal
    {
        return $value->toScale($places, RoundingMode::HALF_UP);
    }

    /** Rounds half away from zero to $figures significant figures. */
    public static function toFigures(BigRational $value, int $figures): BigDecimal
    {
        if ($value->isZero()) {
            return BigDecimal::zero();
        }
        $rounded = $value->toScale(0, RoundingMode::DOWN);
        $places = $figures - self::magnitude($value, $rounded->abs());
        $scaled = $value->multipliedBy(self::tenTo($places))->toScale(0, RoundingMode::HALF_UP);
        $exact = $scaled->toBigRational()->dividedBy(self::tenTo($places));

        return $exact->toScale(
            max(0, $figures - self::magnitude($exact, $exact->toScale(0, RoundingMode::DOWN)->abs())),
            RoundingMode::HALF_UP,
        );
    }

    /** As a JSON number: an integer where it is one. */
    public static function number(BigRational $value): int|float
    {
        $text = self::text($value);
        if (strlen($text) <= 15 && ! str_contains($text, '/')) { // @pest-mutate-ignore the common case; the long way gives the same
            return (int) $text; // @pest-mutate-ignore
        }
        $float = (float) (string) $value->toScale(12, RoundingMode::HALF_UP);

        return fmod($float, 1.0) === 0.0 && abs($float) < 1e15 ? (int) $float : $float;
    }

    /** Digits before the decimal point; 0 or less when the value is below 1 (0.012 gives -1). */
    private static function magnitude(BigRational $value, BigDecimal $whole): int
    {
        if (! $whole->isZero()) {
            return strlen((string) $whole->toBigInteger());
        }
        $places = 0;
        $value = $value->abs();
        while ($value->multipliedBy(self::tenTo($places + 1))->isLessThan(1)) {
            $places++;
        }

        return -$places;
    }

    private static function tenTo(int $places): BigRational
    {
        return BigRational::of("1e$places");
    }
}
