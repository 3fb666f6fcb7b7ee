<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigInteger;
use Brick\Math\BigRational;

/**
 * A linear programme in whole numbers: variables from 0 up, rows between bounds, an objective to be largest. Rows are scaled to whole
 * numbers, so that no solver rounds what we gave it.
 *
 * @phpstan-type Row array{coefficients: array<int, BigInteger>, low: BigInteger|null, high: BigInteger|null}
 */
final class Programme
{
    /** @var list<int> */
    private array $upper = [];

    /** @var list<Row> */
    private array $rows = [];

    /** @var array<int, BigInteger> */
    private array $objective = [];

    private BigInteger $objectiveScale;

    public function __construct()
    {
        $this->objectiveScale = BigInteger::one();
    }

    /** @return int its number */
    public function variable(int $upper): int
    {
        $this->upper[] = $upper;

        return count($this->upper) - 1;
    }

    /** @param  array<int, BigRational>  $coefficients  by variable */
    public function row(array $coefficients, ?BigRational $low, ?BigRational $high): void
    {
        if ($low === null && $high === null) {
            return;
        }
        $scale = self::scale([...array_values($coefficients), ...array_values(array_filter([$low, $high]))]);
        $this->rows[] = [
            'coefficients' => array_map(fn (BigRational $one): BigInteger => self::whole($one, $scale), $coefficients),
            'low' => $low === null ? null : self::whole($low, $scale),
            'high' => $high === null ? null : self::whole($high, $scale),
        ];
    }

    /** @param  array<int, BigRational>  $coefficients  by variable */
    public function maximize(array $coefficients): void
    {
        $coefficients = array_filter($coefficients, fn (BigRational $one): bool => ! $one->isZero());
        $scale = self::scale(array_values($coefficients));
        $this->objectiveScale = $scale;
        $this->objective = array_map(fn (BigRational $one): BigInteger => self::whole($one, $scale), $coefficients);
    }

    /** Whether a row without any variable already asks for something. */
    public function isEmptyOfSolutions(): bool
    {
        foreach ($this->rows as ['coefficients' => $coefficients, 'low' => $low, 'high' => $high]) {
            if ($coefficients === [] && ($low?->isPositive() === true || $high?->isNegative() === true)) {
                return true;
            }
        }

        return false;
    }

    /** @return list<int> the largest value of each variable */
    public function upper(): array
    {
        return $this->upper;
    }

    /** @return list<Row> */
    public function rows(): array
    {
        return $this->rows;
    }

    /** What the objective was multiplied by, to be whole numbers. */
    public function objectiveScale(): BigInteger
    {
        return $this->objectiveScale;
    }

    /** @return array<int, BigInteger> */
    public function objective(): array
    {
        return $this->objective;
    }

    /**
     * The least common multiple of the denominators.
     *
     * @param  list<BigRational>  $numbers
     */
    private static function scale(array $numbers): BigInteger
    {
        $scale = BigInteger::one();
        foreach ($numbers as $number) {
            $below = $number->getDenominator();
            if (! $below->isEqualTo(1)) {
                $below = $number->simplified()->getDenominator();
                $scale = $scale->multipliedBy($below)->quotient($scale->gcd($below));
            }
        }

        return $scale;
    }

    private static function whole(BigRational $number, BigInteger $scale): BigInteger
    {
        if ($scale->isEqualTo(1) && $number->getDenominator()->isEqualTo(1)) {
            return $number->getNumerator(); // the common case, and there are many
        }

        return $number->multipliedBy($scale)->simplified()->getNumerator();
    }
}
