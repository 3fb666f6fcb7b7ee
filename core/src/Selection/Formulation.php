<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/**
 * A problem written as a linear programme over groups: for every test and group, how many are taken. A group has several variables of
 * 1, 1, 2, 4 … questions, each at a cost of its own that the seed gives, so that a tie is not always broken for the same group.
 *
 * Each: group → what one question of it adds. Terms: variable → its coefficient.
 *
 * @phpstan-type Each array<int, BigRational>
 * @phpstan-type Terms array<int, BigRational>
 */
final class Formulation
{
    public readonly Programme $programme;

    /** @var list<list<list<int>>> test → group → its variables */
    private array $variables = [];

    /** @var Terms what it costs to take one, from the seed */
    private array $ties = [];

    /** @var Terms what is missing */
    private array $slack = [];

    /** @var array<int, true> groups that are taken in every test */
    private array $everywhere = [];

    /** @var array<int, int> group → the variable of how many of it all tests share */
    private array $shared = [];

    /** @param  list<Demand>  $demands  those that will be held, which say how many of a group can be taken at all */
    public function __construct(public readonly Groups $groups, private readonly Problem $problem, array $demands)
    {
        $this->programme = new Programme;
        $isByPoints = array_filter($demands, fn (Demand $one): bool => ($one->ranges['points']->min ?? null) !== null) !== [];
        $most = array_map(fn (Group $group): int => self::most($group, $demands), $groups->all);
        for ($test = 0; $test < $problem->tests; $test++) {
            $this->variables[$test] = [];
            foreach ($groups->all as $i => $group) {
                $this->variables[$test][] = $this->taking($test, $group, $most[$i], $isByPoints);
            }
        }
    }

    /**
     * No more of a group than every demand allows that it counts for.
     *
     * @param  list<Demand>  $demands
     */
    private static function most(Group $group, array $demands): int
    {
        $most = $group->size();
        foreach ($demands as $demand) {
            foreach ($demand->where->meets($group->one()) ? $demand->measures() : [] as $measure) {
                $max = $demand->ranges[$measure->value]->max;
                $each = $measure->of($group->one());
                if ($max !== null && $each->isPositive() && $each->multipliedBy($most)->isGreaterThan($max)) {
                    $most = $max->dividedBy($each)->toScale(0, RoundingMode::DOWN)->toInt();
                }
            }
        }

        return $most;
    }

    /** @return list<int> */
    private function taking(int $test, Group $group, int $most, bool $isByPoints): array
    {
        // tests made together are many already: one variable each
        $sizes = $this->problem->tests > 1 && $most > 0 ? [$most] : [];
        for ($left = $this->problem->tests > 1 ? 0 : $most; $left > 0; $left -= $size) {
            $sizes[] = $size = min($left, count($sizes) < 2 ? 1 : 2 ** (count($sizes) - 1));
        }
        $stream = $this->problem->seed->stream('ties', "$test|$group->signature");
        $costs = array_map(fn (): int => 1000 + $stream->below(1000), $sizes);
        sort($costs);
        // where points are to be reached, one question of six must not be cheaper than six of one
        $points = Exact::of($group->one()->points);
        $each = $isByPoints && $points->isPositive() ? $points : Exact::one();
        $variables = [];
        foreach ($sizes as $i => $size) {
            $variables[] = $variable = $this->programme->variable($size);
            $this->ties[$variable] = $each->multipliedBy(-$costs[$i]);
        }

        return $variables;
    }

    /**
     * @param  Each  $each
     * @return Terms
     */
    private function terms(int $test, array $each): array
    {
        $terms = [];
        foreach ($each as $group => $amount) {
            foreach ($this->variables[$test][$group] as $variable) {
                $terms[$variable] = $amount;
            }
        }

        return $terms;
    }

    /**
     * In every test, between two bounds.
     *
     * @param  Each  $each
     */
    public function between(array $each, ?BigRational $low, ?BigRational $high): void
    {
        foreach (array_keys($this->variables) as $test) {
            $this->programme->row($this->terms($test, $each), $low, $high);
        }
    }

    /**
     * In every test, as near to two bounds as can be.
     *
     * @param  Each  $each
     */
    public function near(array $each, ?BigRational $low, ?BigRational $high): void
    {
        foreach (array_keys($this->variables) as $test) {
            if ($low !== null) {
                $this->programme->row($this->terms($test, $each) + [$this->missing() => Exact::one()], $low, null);
            }
            if ($high !== null) {
                $this->programme->row($this->terms($test, $each) + [$this->missing() => BigRational::of(-1)], null, $high);
            }
        }
    }

    /**
     * No sum of these more than a number that is to be least.
     *
     * @param  list<Each>  $sums
     */
    public function least(array $sums): void
    {
        $most = $this->missing();
        foreach (array_keys($this->variables) as $test) {
            foreach ($sums as $each) {
                $this->programme->row($this->terms($test, $each) + [$most => BigRational::of(-1)], null, Exact::zero());
            }
        }
    }

    /**
     * All questions of some groups, or none of them.
     *
     * @param  list<int>  $groups
     */
    public function allOrNone(array $groups): void
    {
        $size = array_sum(array_map(fn (int $group): int => $this->groups->all[$group]->size(), $groups));
        foreach (array_keys($this->variables) as $test) {
            $terms = $this->terms($test, array_fill_keys($groups, Exact::one()));
            $this->programme->row($terms + [$this->programme->variable(1) => BigRational::of(-$size)], Exact::zero(), Exact::zero());
        }
    }

    /**
     * Questions that every test has, and that do not count as common.
     *
     * @param  list<int>  $groups
     */
    public function inEvery(array $groups): void
    {
        $this->everywhere += array_fill_keys($groups, true);
        foreach ($groups as $group) {
            $this->between([$group => Exact::one()], Exact::one(), null);
        }
    }

    /** A number of what is missing, at a cost of one each. */
    private function missing(): int
    {
        $variable = $this->programme->variable(1_000_000_000);
        $this->slack[$variable] = BigRational::of(-1);

        return $variable;
    }

    /**
     * Keeps tests apart, but for so many questions that are in all of them. Pairs of tests that share different ones are not looked
     * for: with three tests or more a solution may be missed, never one given that shares too much.
     */
    public function apart(int $common): void
    {
        if ($this->problem->tests < 2) {
            return;
        }
        $one = Exact::one();
        foreach (array_diff_key($this->groups->all, $this->everywhere) as $i => $group) {
            $all = [];
            foreach (array_keys($this->variables) as $test) {
                $all += $this->terms($test, [$i => $one]);
            }
            if ($common > 0) {
                $this->shared[$i] = $this->programme->variable(min($common, $group->size()));
                foreach (array_keys($this->variables) as $test) {
                    $terms = $this->terms($test, [$i => $one]) + [$this->shared[$i] => BigRational::of(-1)];
                    $this->programme->row($terms, Exact::zero(), null);
                }
                $all[$this->shared[$i]] = BigRational::of(1 - $this->problem->tests);
            }
            $this->programme->row($all, null, BigRational::of($group->size()));
        }
        if ($this->shared !== []) {
            $this->programme->row(array_fill_keys($this->shared, $one), null, BigRational::of($common));
        }
    }

    /** @return Terms what is to be largest so that least is missing */
    public function shortest(): array
    {
        return $this->slack;
    }

    /** @return Terms what is to be largest so that the seed breaks a tie */
    public function ties(): array
    {
        return $this->ties;
    }

    /**
     * What every question adds to a sum over all tests.
     *
     * @param  callable(Group): BigRational  $amount
     * @return Terms
     */
    public function sum(callable $amount): array
    {
        $each = array_filter(array_map($amount, $this->groups->all), fn (BigRational $one): bool => ! $one->isZero());
        $terms = [];
        foreach (array_keys($this->variables) as $test) {
            $terms += $this->terms($test, $each);
        }

        return $terms;
    }

    /**
     * The questions of a solution.
     *
     * @param  list<int>  $values  by variable
     * @return list<list<Candidate>> by test
     */
    public function taken(array $values): array
    {
        $tests = $next = [];
        foreach ($this->variables as $groups) {
            $taken = [];
            foreach ($groups as $group => $variables) {
                $count = array_sum(array_map(fn (int $variable): int => $values[$variable], $variables));
                $shared = isset($this->shared[$group]) ? $values[$this->shared[$group]] : 0;
                $from = isset($this->everywhere[$group]) ? 0 : $next[$group] ?? $shared;
                $next[$group] = $from + $count - $shared;
                array_push($taken, ...$this->groups->some($group, $shared), ...$this->groups->some($group, $count - $shared, $from));
            }
            $tests[] = $taken;
        }

        return $tests;
    }
}
