<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** Solves a problem for one objective after the other; what one has reached is held by a row while the next is looked for. */
final readonly class Search
{
    /** The objective that only chooses between tests that are as good as each other. */
    private const LAST = 'ties';

    public function __construct(private Solver $solver, private Budget $budget)
    {
    }

    /** With every member of a problem held. */
    public static function formulate(Problem $problem, Groups $groups): Formulation
    {
        $formulation = new Formulation($groups, $problem, $problem->demands);
        foreach ([...$problem->demands, ...$problem->rules] as $member) {
            $member->constrain($formulation);
        }
        $formulation->apart($problem->common);

        return $formulation;
    }

    /** @param  bool  $isOnlyHowGood  whether how good a test can be is enough to know, and any that is will do */
    public function best(Problem $problem, Groups $groups, bool $isOnlyHowGood = false): Found
    {
        $formulation = self::formulate($problem, $groups);
        $programme = $formulation->programme;
        if ($programme->isEmptyOfSolutions()) {
            return new Found(null, true);
        }
        $best = $programme->upper() === [] ? [] : null;
        $reached = [];
        $bound = null;
        $isProved = true;
        $objectives = self::objectives($problem, $formulation);
        $exact = array_diff_key($objectives, [self::LAST => true]);
        foreach ($isOnlyHowGood && $exact !== [] ? $exact : $objectives as $name => $objective) {
            $programme->maximize($objective);
            $isRough = $name === self::LAST;
            $solved = $this->solver->solve($programme, max(0.5, $this->budget->left()), $isRough);
            if ($solved->values === null) {
                if ($best === null) {
                    return new Found(null, $solved->isProved);
                }
                break;
            }
            $best = $solved->values;
            $value = self::value($objective, $best);
            if (! $isRough) {
                $reached[$name] = $value;
                $isProved = $isProved && $solved->isProved;
                $bound = $name === 'wishes' && $solved->bound !== null
                    ? BigRational::of((string) ceil($solved->bound))->dividedBy($programme->objectiveScale())
                    : $bound;
            }
            $programme->row($objective, $value, null);
        }

        return new Found($best === null ? null : Balance::of($problem, $formulation->taken($best)), $isProved, $reached, $bound);
    }

    /** @return array<string, array<int, BigRational>> */
    private static function objectives(Problem $problem, Formulation $formulation): array
    {
        $again = fn (Group $group): BigRational => $group->isApart ? BigRational::of(-1) : Exact::zero();
        $wished = fn (Group $group): BigRational => $problem->wishedFor($group->one());

        return [
            ...array_filter([
                'apart' => $problem->apartFrom === [] ? [] : $formulation->sum($again),
                'wishes' => $problem->wishes === [] ? [] : $formulation->sum($wished),
            ]),
            self::LAST => $formulation->ties(),
        ];
    }

    /**
     * @param  array<int, BigRational>  $objective
     * @param  list<int>  $values
     */
    private static function value(array $objective, array $values): BigRational
    {
        $sum = Exact::zero();
        foreach ($objective as $variable => $coefficient) {
            $sum = $values[$variable] === 0 ? $sum : $sum->plus($coefficient->multipliedBy($values[$variable]));
        }

        return $sum;
    }
}
