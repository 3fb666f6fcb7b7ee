<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use WideQuarry\Selection\Rules\AtMost;
use WideQuarry\Selection\Rules\Rule;

/**
 * Assembles a test: demands first, then what differs most from earlier solutions, then wishes, then the seed. What comes out was
 * checked question by question.
 */
final readonly class Selector
{
    /** So many groups, over all tests, are formulated at most: it is memory that ends before time. */
    private const LARGEST = 60_000;

    public function __construct(private Solver $solver)
    {
    }

    /** @throws SolverFailed */
    public function select(Problem $problem, Budget $budget): Outcome
    {
        $groups = Groups::of($problem);
        $explanation = new Explanation($this->solver, $problem, $groups, $budget);
        $alone = $explanation->alone();
        if ($alone !== null) {
            return $this->impossible($problem, $explanation, $alone);
        }
        $search = new Search($this->solver, $budget);
        $thin = Thinning::of($problem, $groups);
        $outcome = $thin === null ? null : $this->fromFew($problem, $thin, $groups, $search, $explanation, $budget);
        if ($outcome !== null) {
            return $outcome;
        }
        $best = count($groups->all) * $problem->tests > self::LARGEST ? new Found(null, false) : $search->best($problem, $groups);

        return $best->tests === null
            ? $this->impossible($problem, $explanation, $best->isImpossible() ? $explanation->conflict() : null)
            : $this->found($problem, $best);
    }

    /**
     * Looks through a smaller pool, and proves by a problem that asks for less that the whole has nothing better. That problem leaves out
     * the rules that tell most questions apart, so it has few groups; what is impossible without them stays so.
     *
     * @return Outcome|null null where the whole pool has to be looked through
     */
    private function fromFew(
        Problem $problem,
        Problem $thin,
        Groups $groups,
        Search $search,
        Explanation $explanation,
        Budget $budget,
    ): ?Outcome {
        $few = $search->best($thin, Groups::of($thin));
        if ($few->tests !== null && $few->isEnough()) {
            return $this->found($problem, $few);
        }
        $loose = $problem->only(self::withoutLimits($problem));
        $merged = $groups->mergedFor($loose);
        $most = $search->best($loose, $merged, true);
        if ($most->isImpossible()) {
            return $this->impossible($problem, $explanation, (new Explanation($this->solver, $loose, $merged, $budget))->conflict());
        }
        $isBest = $most->isNoBetterThan($few);

        return $few->tests !== null && ($isBest || $budget->left() <= 0) ? $this->found($problem, $few->proved($isBest)) : null;
    }

    /** @return list<string> */
    private static function withoutLimits(Problem $problem): array
    {
        $limits = array_filter($problem->rules, fn (Rule $rule): bool => $rule instanceof AtMost);

        return array_values(array_diff($problem->members(), array_map(fn (Rule $rule): string => $rule->id(), $limits)));
    }

    /** @throws SolverFailed when what was found is not what was asked for */
    private function found(Problem $problem, Found $found): Outcome
    {
        $tests = $found->tests ?? [];

        return Checker::isSolution($problem, $tests)
            ? Outcome::found($problem, $tests, $found->isProved, $found->bound)
            : throw SolverFailed::wrong();
    }

    /** @param  list<string>|null  $conflict */
    private function impossible(Problem $problem, Explanation $explanation, ?array $conflict): Outcome
    {
        $relaxations = $conflict === null ? [] : $explanation->relaxations($conflict);

        return Outcome::impossible($problem, $conflict, $relaxations, $explanation->nearest());
    }
}
