<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * How far two people mark alike.
 *
 * Of n criteria marked by both, `exact` is the share with the same level, `within_one` the share with the same or the next level. Kappa
 * is what agreement there is beyond chance: κ = (p₀ − pₑ) / (1 − pₑ), where p₀ is the exact share and pₑ = Σ aₖbₖ / n², aₖ and bₖ being
 * how often each of the two gave the level k. Source: J. Cohen, "A coefficient of agreement for nominal scales", Educational and
 * Psychological Measurement 20 (1960), pages 37–46.
 */
final readonly class Agreement
{
    /** @param  BigRational|null  $kappa  null where both always gave one and the same level, which leaves chance nothing to explain */
    private function __construct(
        public int $count,
        public BigRational $exact,
        public BigRational $withinOne,
        public ?BigRational $kappa,
    ) {
    }

    /**
     * @param  list<array{int, int}>  $levels  of each criterion marked by both: the place of the level each gave, counted from the lowest
     * @return self|null null when there is nothing that both marked
     */
    public static function of(array $levels): ?self
    {
        $n = count($levels);
        if ($n === 0) {
            return null;
        }
        $same = count(array_filter($levels, fn (array $pair): bool => $pair[0] === $pair[1]));
        $near = count(array_filter($levels, fn (array $pair): bool => abs($pair[0] - $pair[1]) <= 1));
        $first = array_count_values(array_column($levels, 0));
        $second = array_count_values(array_column($levels, 1));
        $chance = Exact::zero();
        foreach ($first as $level => $times) {
            $chance = $chance->plus(BigRational::of($times * ($second[$level] ?? 0))->dividedBy($n * $n));
        }
        $exact = BigRational::of($same)->dividedBy($n);
        $kappa = $chance->isEqualTo(1) ? null : $exact->minus($chance)->dividedBy(Exact::one()->minus($chance));

        return new self($n, Exact::simplified($exact), Exact::simplified(BigRational::of($near)->dividedBy($n)), $kappa?->simplified());
    }

    /**
     * The places of the levels two people gave, criterion by criterion.
     *
     * @return list<array{int, int}>
     */
    public static function levels(Rubric $rubric, PartMarks $one, PartMarks $other): array
    {
        $levels = [];
        foreach ($rubric->marked() as $criterion) {
            $first = self::place($criterion, $one->criteria[$criterion->id] ?? null);
            $second = self::place($criterion, $other->criteria[$criterion->id] ?? null);
            if ($first !== null && $second !== null) {
                $levels[] = [$first, $second];
            }
        }

        return $levels;
    }

    /** A point that was not made on a checklist is below its only level. */
    private static function place(Criterion $criterion, ?CriterionMark $mark): ?int
    {
        if ($mark?->points === null) {
            return null;
        }
        $place = array_search($mark->level?->id, array_column($criterion->ascending(), 'id'), true);

        return $place === false ? 0 : $place + 1;
    }
}
