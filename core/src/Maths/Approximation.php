<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigInteger;
use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * A number that no fraction can hold, such as √2: a decimal and how far the true value may be from it (ball arithmetic; van der
 * Hoeven 2010, "Ball arithmetic"). 45 figures are carried, so that 30 are sure after a few thousand steps.
 */
final readonly class Approximation
{
    /** Figures that are shown and compared. */
    public const FIGURES = 30;

    private const CARRIED = 45;

    /** @param  \GMP  $digits  of the value in units of 10^-places */
    private function __construct(private \GMP $digits, private int $places, private ErrorBound $error)
    {
    }

    public static function of(BigDecimal $value, BigDecimal|ErrorBound $error): self
    {
        return self::rounded(
            gmp_init((string) $value->getUnscaledValue()),
            $value->getScale(),
            $error instanceof ErrorBound ? $error : ErrorBound::ofDecimal($error),
        );
    }

    public static function whole(int $value): self
    {
        return new self(gmp_init($value), 0, ErrorBound::of(0, 0));
    }

    public static function ofRational(BigRational $value): self
    {
        [$above, $below] = [(string) $value->getNumerator(), (string) $value->getDenominator()];
        $places = max(0, self::CARRIED - strlen(ltrim($above, '-')) + strlen($below));

        return new self(
            self::divided(PowersOfTen::of($places) * gmp_init($above), gmp_init($below)),
            $places,
            ErrorBound::of(1, $places),
        );
    }

    public static function zeroWithin(BigDecimal $error): self
    {
        return new self(gmp_init(0), 0, ErrorBound::ofDecimal($error));
    }

    public function value(): BigDecimal
    {
        return BigDecimal::ofUnscaledValue(BigInteger::of(gmp_strval($this->digits)), $this->places);
    }

    public function error(): ErrorBound
    {
        return $this->error;
    }

    public function sign(): int
    {
        return $this->mayBeZero() ? 0 : gmp_sign($this->digits);
    }

    public function negated(): self
    {
        return new self(-$this->digits, $this->places, $this->error);
    }

    public function plus(self $other): self
    {
        [$one, $two, $places] = $this->aligned($other);

        return self::rounded($one + $two, $places, $this->error->plus($other->error));
    }

    public function times(self $other): self
    {
        $error = $this->size()->times($other->error)
            ->plus($other->size()->times($this->error))
            ->plus($this->error->times($other->error));

        return self::rounded($this->digits * $other->digits, $this->places + $other->places, $error);
    }

    /** Divided by a whole number that is not 0. */
    public function over(int $by): self
    {
        $places = max(0, self::CARRIED - $this->magnitude()) + strlen((string) $by);
        $digits = self::divided($this->digits * PowersOfTen::of($places - $this->places), gmp_init($by));

        return self::rounded($digits, $places, $this->error->over(gmp_init($by), 0)->plus(ErrorBound::of(1, $places)));
    }

    /** @return self|null null where nothing says that this is not zero */
    public function reciprocal(): ?self
    {
        $size = gmp_abs($this->digits);
        $least = $size - $this->error->in($this->places);
        if ($least <= 0) {
            return null;
        }
        $places = self::CARRIED + max(0, $this->magnitude()) + 2;
        $error = $this->error->over($least * $size, 2 * $this->places);

        return self::rounded(
            self::divided(PowersOfTen::of($places + $this->places), $this->digits),
            $places,
            $error->plus(ErrorBound::of(1, $places)),
        );
    }

    /** -1, 0 or 1; 0 where the two cannot be told apart. */
    public function compare(self $other): int
    {
        [$one, $two, $places] = $this->aligned($other);
        $between = $one - $two;

        return $this->error->plus($other->error)->reaches($between, $places) ? 0 : gmp_sign($between);
    }

    public function isNegative(): bool
    {
        return $this->sign() < 0;
    }

    public function mayBeZero(): bool
    {
        return $this->error->reaches($this->digits, $this->places);
    }

    /**
     * The ends of what it may be.
     *
     * @return array{BigDecimal, BigDecimal}
     */
    public function ends(): array
    {
        [$value, $error] = [$this->value(), $this->error->decimal()];

        return [$value->minus($error), $value->plus($error)];
    }

    /** To 30 figures: what keys and conditions use as its value. */
    public function toRational(): BigRational
    {
        if ($this->mayBeZero()) {
            return Exact::zero();
        }
        $places = self::FIGURES - $this->magnitude();
        if ($places < 0) {
            return Exact::toFigures($this->value()->toBigRational(), self::FIGURES)->toBigRational()->simplified();
        }
        $surplus = $this->places - $places;
        $digits = $surplus > 0 ? self::divided($this->digits, PowersOfTen::of($surplus), false) : $this->digits;
        $unit = PowersOfTen::of(min($places, $this->places));
        $common = gmp_gcd($digits, $unit);

        return BigRational::nd(gmp_strval($digits / $common), gmp_strval($unit / $common));
    }

    /** Whether it has more digits before the decimal point than so many. */
    public function isBeyond(int $digits): bool
    {
        return $this->magnitude() > $digits;
    }

    /** To the figures that are carried, with what that changes. */
    private static function rounded(\GMP $digits, int $places, ErrorBound $error): self
    {
        $kept = max(0, self::CARRIED - self::magnitudeOf($digits, $places));

        return $places <= $kept
            ? new self($digits, $places, $error)
            : new self(self::divided($digits, PowersOfTen::of($places - $kept)), $kept, $error->plus(ErrorBound::of(1, $kept)));
    }

    /** To the nearest whole number; of two, to the even one or away from zero. */
    private static function divided(\GMP $above, \GMP $below, bool $toEven = true): \GMP
    {
        $whole = gmp_div_q($above, $below);
        $more = gmp_cmp(gmp_abs($above - $whole * $below) * 2, gmp_abs($below));
        if ($more < 0 || ($more === 0 && $toEven && ! gmp_testbit($whole, 0))) {
            return $whole;
        }

        return $whole + gmp_sign($above) * gmp_sign($below);
    }

    /** @return array{\GMP, \GMP, int} the digits of both in the same units, and their places */
    private function aligned(self $other): array
    {
        $apart = $this->places - $other->places;

        return $apart >= 0
            ? [$this->digits, $other->digits * PowersOfTen::of($apart), $this->places]
            : [$this->digits * PowersOfTen::of(-$apart), $other->digits, $other->places];
    }

    private function size(): ErrorBound
    {
        return ErrorBound::above($this->digits, $this->places);
    }

    private function magnitude(): int
    {
        return self::magnitudeOf($this->digits, $this->places);
    }

    /** Digits before the decimal point; 0 or less below 1, as 0.012 gives -1. */
    private static function magnitudeOf(\GMP $digits, int $places): int
    {
        return gmp_sign($digits) === 0 ? 0 : strlen(gmp_strval(gmp_abs($digits))) - $places;
    }
}
