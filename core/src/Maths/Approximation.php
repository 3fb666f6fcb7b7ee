<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;
use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
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

    private function __construct(public BigDecimal $value, public BigDecimal $error)
    {
    }

    public static function of(BigDecimal $value, BigDecimal $error): self
    {
        $places = self::CARRIED - self::magnitude($value);
        if ($value->getScale() <= $places) {
            return new self($value, self::bound($error));
        }
        $rounded = $value->toScale(max(0, $places), RoundingMode::HALF_EVEN);

        return new self($rounded, self::bound($error->plus(self::power($places >= 0 ? -$places : 0))));
    }

    public static function ofRational(BigRational $value): self
    {
        $places = max(0, self::CARRIED - self::magnitudeOf($value));

        return new self($value->toScale($places, RoundingMode::HALF_EVEN), self::power(-$places));
    }

    public static function zeroWithin(BigDecimal $error): self
    {
        return new self(BigDecimal::zero(), self::bound($error));
    }

    public function negated(): self
    {
        return new self($this->value->negated(), $this->error);
    }

    public function plus(self $other): self
    {
        return self::of($this->value->plus($other->value), $this->error->plus($other->error));
    }

    public function times(self $other): self
    {
        $error = $this->value->abs()->multipliedBy($other->error)
            ->plus($other->value->abs()->multipliedBy($this->error))
            ->plus($this->error->multipliedBy($other->error));

        return self::of($this->value->multipliedBy($other->value), $error);
    }

    /** Divided by a whole number that is not 0. */
    public function over(int $by): self
    {
        $places = max(0, self::CARRIED - self::magnitude($this->value)) + strlen((string) $by);
        $error = $this->error->dividedBy(abs($by), $places + 2, RoundingMode::UP);

        return self::of($this->value->dividedBy($by, $places, RoundingMode::HALF_EVEN), $error->plus(self::power(-$places)));
    }

    /** @return self|null null where nothing says that this is not zero */
    public function reciprocal(): ?self
    {
        $least = $this->value->abs()->minus($this->error);
        if (! $least->isPositive()) {
            return null;
        }
        $places = self::CARRIED + max(0, self::magnitude($this->value)) + 2;
        $error = $this->error->dividedBy(
            $least->multipliedBy($this->value->abs()),
            $places + self::CARRIED,
            RoundingMode::UP,
        );

        return self::of(
            BigDecimal::one()->dividedBy($this->value, $places, RoundingMode::HALF_EVEN),
            $error->plus(self::power(-$places)),
        );
    }

    /** -1, 0 or 1; 0 where the two cannot be told apart. */
    public function compare(self $other): int
    {
        $between = $this->value->minus($other->value);

        return $between->abs()->isLessThanOrEqualTo($this->error->plus($other->error)) ? 0 : $between->getSign();
    }

    public function isNegative(): bool
    {
        return $this->value->plus($this->error)->isNegative();
    }

    public function mayBeZero(): bool
    {
        return $this->value->abs()->isLessThanOrEqualTo($this->error);
    }

    /**
     * The ends of what it may be.
     *
     * @return array{BigDecimal, BigDecimal}
     */
    public function ends(): array
    {
        return [$this->value->minus($this->error), $this->value->plus($this->error)];
    }

    /** To 30 figures: what keys and conditions use as its value. */
    public function toRational(): BigRational
    {
        if ($this->mayBeZero()) {
            return Exact::zero();
        }
        $places = self::FIGURES - self::magnitude($this->value);

        return ($places >= 0 ? $this->value->toScale($places, RoundingMode::HALF_UP) : Exact::toFigures(
            $this->value->toBigRational(),
            self::FIGURES,
        ))->stripTrailingZeros()->toBigRational()->simplified();
    }

    /** Digits before the decimal point; 0 or less below 1, as 0.012 gives -1. */
    private static function magnitude(BigDecimal $value): int
    {
        $digits = strlen(ltrim((string) $value->getUnscaledValue(), '-0'));

        return $digits === 0 ? 0 : $digits - $value->getScale();
    }

    private static function magnitudeOf(BigRational $value): int
    {
        return strlen(ltrim((string) $value->getNumerator(), '-')) - strlen((string) $value->getDenominator());
    }

    private static function power(int $exponent): BigDecimal
    {
        return $exponent >= 0 ? BigDecimal::of(10)->power($exponent) : BigDecimal::ofUnscaledValue(1, -$exponent);
    }

    /** Two figures of an error say enough; rounded up, it stays a bound. */
    private static function bound(BigDecimal $error): BigDecimal
    {
        $places = 2 - self::magnitude($error);

        return $error->getScale() <= $places ? $error : $error->toScale(max(0, $places), RoundingMode::UP);
    }
}
