<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigDecimal;

/**
 * How far a number may be from the true one: units of 10^-places, six figures of them, always rounded up. That is enough for a bound, and
 * whole numbers of PHP hold it (van der Hoeven 2010, "Ball arithmetic", section 3.2).
 */
final readonly class ErrorBound
{
    private const FIGURES = 6;

    private function __construct(public int $units, public int $places)
    {
    }

    /** @param  int  $units  from 0 on */
    public static function of(int $units, int $places): self
    {
        $surplus = strlen((string) $units) - self::FIGURES;
        if ($surplus <= 0) {
            return new self($units, $places);
        }
        $step = 10 ** $surplus;

        return new self(intdiv($units - 1, $step) + 1, $places - $surplus);
    }

    /** What is at least as large as a number without its sign. */
    public static function above(\GMP $digits, int $places): self
    {
        $figures = gmp_strval(gmp_abs($digits));
        $surplus = strlen($figures) - self::FIGURES;

        return $surplus <= 0
            ? new self((int) $figures, $places)
            : self::of((int) substr($figures, 0, self::FIGURES) + 1, $places - $surplus);
    }

    public static function ofDecimal(BigDecimal $error): self
    {
        return self::above(gmp_init((string) $error->getUnscaledValue()), $error->getScale());
    }

    public function isZero(): bool
    {
        return $this->units === 0;
    }

    public function plus(self $other): self
    {
        if ($this->units === 0 || $other->units === 0) {
            return $this->units === 0 ? $other : $this;
        }
        [$fine, $coarse] = $this->places >= $other->places ? [$this, $other] : [$other, $this];
        $apart = $fine->places - $coarse->places;

        return $apart > 2 * self::FIGURES
            ? self::of($coarse->units * 10 ** self::FIGURES + 1, $coarse->places + self::FIGURES)
            : self::of($coarse->units * 10 ** $apart + $fine->units, $fine->places);
    }

    public function times(self $other): self
    {
        return self::of($this->units * $other->units, $this->places + $other->places);
    }

    /** Divided by no more than a number without its sign, which is not 0. */
    public function over(\GMP $digits, int $places): self
    {
        $figures = gmp_strval(gmp_abs($digits));
        $surplus = strlen($figures) - self::FIGURES;
        $least = (int) substr($figures, 0, self::FIGURES);
        $more = 2 * self::FIGURES;

        return $this->units === 0
            ? $this
            : self::of(intdiv($this->units * 10 ** $more - 1, $least) + 1, $this->places + $more - $places + max(0, $surplus));
    }

    /** Whether a number, without its sign, is no more than this. */
    public function reaches(\GMP $digits, int $places): bool
    {
        $finer = $this->places - $places;

        return $finer >= 0
            ? gmp_cmp(gmp_abs($digits) * PowersOfTen::of($finer), $this->units) <= 0
            : gmp_cmp(gmp_abs($digits), PowersOfTen::of(-$finer) * $this->units) <= 0;
    }

    /** Its units in steps of 10^-places, rounded up. */
    public function in(int $places): \GMP
    {
        return $places >= $this->places
            ? PowersOfTen::of($places - $this->places) * $this->units
            : gmp_div_q($this->units, PowersOfTen::of($this->places - $places), GMP_ROUND_PLUSINF);
    }

    public function decimal(): BigDecimal
    {
        return $this->places >= 0
            ? BigDecimal::ofUnscaledValue($this->units, $this->places)
            : BigDecimal::of($this->units)->multipliedBy(BigDecimal::of(10)->power(-$this->places));
    }
}
