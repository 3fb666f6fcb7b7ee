<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/**
 * Why a problem cannot be met: demands and rules that cannot hold together, of which none can be spared, and what each would have to say
 * for the others to hold.
 *
 * @see Chinneck and Dravnieks (1991), ORSA Journal on Computing 3, 157–168: the deletion filter
 */
final readonly class Explanation
{
    public function __construct(private Solver $solver, private Problem $problem, private Groups $groups, private Budget $budget)
    {
    }

    /**
     * Leaves out members, many at a time at first, as long as the rest cannot be met. In the end none can be left out.
     *
     * @return list<string>|null null when the time was over before that was known
     */
    public function conflict(): ?array
    {
        $kept = $this->alone() ?? $this->problem->members();
        for ($size = intdiv(count($kept), 2); $size >= 1; $size = $size === 1 ? 0 : intdiv($size + 1, 2)) {
            for ($from = 0; $from < count($kept);) {
                $rest = [...array_slice($kept, 0, $from), ...array_slice($kept, $from + $size)];
                $solved = count($kept) === 1 ? Solved::best([]) : $this->solve($rest);
                if ($solved->values === null && ! $solved->isProved || $this->budget->left() <= 0) {
                    return null;
                }
                if ($solved->isImpossible()) {
                    $kept = $rest;
                } else {
                    $from += $size;
                }
            }
        }

        return $kept;
    }

    /**
     * One demand that the pool alone cannot meet is found without a solver's help.
     *
     * @return list<string>|null
     */
    public function alone(): ?array
    {
        foreach ($this->problem->demands as $demand) {
            foreach ($demand->measures() as $measure) {
                $min = $demand->ranges[$measure->value]->min;
                if ($min !== null && ! $this->reaches($demand, $measure, $min)) {
                    return [$demand->id];
                }
            }
        }

        return null;
    }

    /** Whether the whole pool has so much for a demand. */
    private function reaches(Demand $demand, Measure $measure, BigRational $min): bool
    {
        $there = Exact::zero();
        foreach ($this->groups->all as $group) {
            if (! $there->isLessThan($min)) {
                return true;
            }
            if ($demand->where->meets($group->one())) {
                $there = $there->plus($measure->of($group->one())->multipliedBy($group->size()));
            }
        }

        return ! $there->isLessThan($min);
    }

    /** @param  list<string>  $members */
    private function solve(array $members): Solved
    {
        $problem = $this->problem->only($members);
        $programme = Search::formulate($problem, $this->groups->mergedFor($problem))->programme;

        return $programme->isEmptyOfSolutions() ? Solved::impossible() : $this->solver->solve($programme, max(0.5, $this->budget->left()));
    }

    /**
     * For each member of a conflict, how it would have to read for the others to hold.
     *
     * @param  list<string>  $conflict
     * @return list<array<string, mixed>> with its id
     */
    public function relaxations(array $conflict): array
    {
        $relaxations = [];
        foreach ($conflict as $id) {
            if ($this->budget->left() <= 0) {
                break;
            }
            $others = array_values(array_diff($conflict, [$id]));
            $tests = $this->nearestTo($others, [$id]);
            $fields = $tests === null ? [] : $this->problem->member($id)->relaxedTo($tests, $this->problem->pool);
            $relaxations[] = ['id' => $id, ...$fields === [] ? ['drop' => true] : $fields];
        }

        return $relaxations;
    }

    /**
     * Tests that fall short of the demands by little, with every rule held; by least, where the pool is small enough to be looked at
     * whole.
     *
     * @return list<list<Candidate>>|null
     */
    public function nearest(): ?array
    {
        $thin = Thinning::of($this->problem, $this->groups);
        if ($thin !== null) {
            return (new self($this->solver, $thin, Groups::of($thin), $this->budget))->nearest();
        }
        $rules = array_map(fn (Rules\Rule $rule): string => $rule->id(), $this->problem->rules);

        return $this->nearestTo($rules, array_map(fn (Demand $demand): string => $demand->id, $this->problem->demands));
    }

    /**
     * @param  list<string>  $held
     * @param  list<string>  $loosened
     * @return list<list<Candidate>>|null
     */
    private function nearestTo(array $held, array $loosened): ?array
    {
        $groups = $this->groups->mergedFor($this->problem->only([...$held, ...$loosened]));
        $formulation = Search::formulate($this->problem->only($held), $groups);
        foreach ($loosened as $id) {
            $this->problem->member($id)->loosen($formulation);
        }
        $missing = $formulation->shortest();
        $programme = $formulation->programme;
        $programme->maximize($missing);
        if ($programme->isEmptyOfSolutions()) {
            return null;
        }
        $solved = $this->solver->solve($programme, max(0.5, $this->budget->left()));

        return $solved->values === null ? null : $formulation->taken($solved->values);
    }
}
