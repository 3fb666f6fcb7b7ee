<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * Makes tests that were assembled together as equal as it can in points, minutes and difficulty: questions that the same demands count
 * change places, or are exchanged for one that no test has, as long as that brings the tests nearer. Every change is checked.
 */
final class Balance
{
    /** What a difference of one costs, between the largest and the least sum of any two tests. */
    private const COSTS = ['points' => 4.0, 'minutes' => 1.0, 'difficulty' => 2.0];

    private const ROUNDS = 6;

    /** Unused questions that are tried of each sort. */
    private const SPARE = 20;

    /** @var array<string, array{float, float, float}> question → points, minutes, difficulty */
    private array $amounts = [];

    /** @var array<string, string> question → which demands count it, and what it is wished for */
    private array $sorts = [];

    /** @param  list<list<Candidate>>  $tests */
    private function __construct(private readonly Problem $problem, private array $tests)
    {
    }

    /**
     * @param  list<list<Candidate>>  $tests
     * @return list<list<Candidate>>
     */
    public static function of(Problem $problem, array $tests): array
    {
        if (count($tests) < 2) {
            return $tests;
        }
        $balance = new self($problem, $tests);
        $spare = $balance->spare();
        for ($round = 0; $round < self::ROUNDS; $round++) {
            $before = $balance->cost($balance->tests);
            $balance->changePlaces();
            $balance->exchange($spare);
            if ($balance->cost($balance->tests) >= $before) {
                break;
            }
        }

        return $balance->tests;
    }

    private function changePlaces(): void
    {
        $shared = $this->shared();
        for ($one = 0; $one < count($this->tests); $one++) {
            for ($other = $one + 1; $other < count($this->tests); $other++) {
                foreach (array_keys($this->tests[$one]) as $i) {
                    foreach (array_keys($this->tests[$other]) as $j) {
                        [$a, $b] = [$this->tests[$one][$i], $this->tests[$other][$j]];
                        if (! isset($shared[$a->id]) && ! isset($shared[$b->id]) && $this->sort($a) === $this->sort($b)) {
                            $this->keep([$one => [$i => $b], $other => [$j => $a]]);
                        }
                    }
                }
            }
        }
    }

    /** @param  array<string, array<int, Candidate>>  $spare */
    private function exchange(array &$spare): void
    {
        $shared = $this->shared();
        foreach (array_keys($this->tests) as $test) {
            foreach ($this->tests[$test] as $i => $taken) {
                $sort = $this->sort($taken);
                foreach (isset($shared[$taken->id]) ? [] : $spare[$sort] ?? [] as $at => $other) {
                    if ($this->keep([$test => [$i => $other]])) {
                        $spare[$sort][$at] = $taken;
                        break;
                    }
                }
            }
        }
    }

    /**
     * Makes a change if the tests come nearer by it and still are what was asked for.
     *
     * @param  array<int, array<int, Candidate>>  $change  test → place → question
     */
    private function keep(array $change): bool
    {
        $changed = $this->tests;
        foreach ($change as $test => $places) {
            $changed[$test] = array_values(array_replace($changed[$test], $places));
        }
        if ($this->cost($changed) >= $this->cost($this->tests) - 1e-9) {
            return false;
        }
        foreach (array_keys($change) as $test) {
            if (Checker::unmet($this->problem, $changed[$test]) !== []) {
                return false;
            }
        }
        $this->tests = $changed;

        return true;
    }

    /** @param  array<int, list<Candidate>>  $tests */
    private function cost(array $tests): float
    {
        $sums = array_map($this->sums(...), $tests);
        $cost = 0.0;
        foreach (array_values(self::COSTS) as $i => $weight) {
            $each = array_column($sums, $i);
            $cost += $each === [] ? 0.0 : $weight * (max($each) - min($each));
        }

        return $cost;
    }

    /**
     * @param  list<Candidate>  $taken
     * @return array{float, float, float}
     */
    private function sums(array $taken): array
    {
        $sums = [0.0, 0.0, 0.0];
        foreach ($taken as $candidate) {
            [$points, $minutes, $difficulty] = $this->amounts[$candidate->id] ??= [
                Measure::Points->of($candidate)->toFloat(),
                Measure::Minutes->of($candidate)->toFloat(),
                self::difficulty($candidate)?->toFloat() ?? 0.0,
            ];
            $sums = [$sums[0] + $points, $sums[1] + $minutes, $sums[2] + $difficulty];
        }

        return $sums;
    }

    private function sort(Candidate $candidate): string
    {
        return $this->sorts[$candidate->id] ??=
            Groups::demandsOf($this->problem, $candidate).' '.Exact::text($this->problem->wishedFor($candidate)).
            (in_array($candidate->id, $this->problem->apartFrom, true) ? ' a' : '');
    }

    /**
     * Questions that several tests have stay where they are.
     *
     * @return array<string, true>
     */
    private function shared(): array
    {
        $counts = array_count_values(array_map(fn (Candidate $one): string => $one->id, array_merge(...$this->tests)));

        return array_fill_keys(array_map(strval(...), array_keys(array_filter($counts, fn (int $n): bool => $n > 1))), true)
            + array_fill_keys($this->problem->included(), true);
    }

    /** @return array<string, list<Candidate>> questions that no test has, by sort */
    private function spare(): array
    {
        $taken = array_flip(array_map(fn (Candidate $one): string => $one->id, array_merge(...$this->tests)));
        $sorts = array_flip(array_map($this->sort(...), array_merge(...$this->tests)));
        $spare = [];
        foreach ($this->problem->pool as $candidate) {
            $sort = isset($taken[$candidate->id]) ? '' : $this->sort($candidate);
            if (isset($sorts[$sort]) && count($spare[$sort] ?? []) < self::SPARE) {
                $spare[$sort][] = $candidate;
            }
        }

        return $spare;
    }

    private static function difficulty(Candidate $candidate): ?BigRational
    {
        return Exact::read($candidate->values('difficulty')[0] ?? '');
    }

    /**
     * What one test comes to, to set beside the others.
     *
     * @param  list<Candidate>  $taken
     * @return array{count: int, points: int|float, minutes: int|float, difficulty: float|null} difficulty: the mean of those that have one
     */
    public static function totals(array $taken): array
    {
        $rated = array_values(array_filter(array_map(self::difficulty(...), $taken)));
        $sum = array_reduce($rated, fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), Exact::zero());

        return [
            'count' => count($taken),
            'points' => Exact::number(Measure::Points->sum($taken)),
            'minutes' => Exact::number(Measure::Minutes->sum($taken)),
            'difficulty' => $rated === [] ? null : round($sum->toFloat() / count($rated), 2),
        ];
    }
}
