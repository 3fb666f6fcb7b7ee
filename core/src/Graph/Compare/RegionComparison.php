<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Region;
use WideQuarry\Graph\Verdict;

/** A region of several inequalities: by the set it selects, and where that differs by its boundaries, one for one. */
final readonly class RegionComparison
{
    private Comparison $comparison;

    public function __construct(Grid $grid, BigRational $tolerance)
    {
        $this->comparison = new Comparison($grid, $tolerance);
    }

    /**
     * @param  non-empty-list<Figure>  $wanted  inequalities
     * @param  list<Figure>  $given  inequalities
     */
    public function of(array $wanted, array $given): Verdict
    {
        if ($given === []) {
            return new Verdict(false, corners: [0, count($wanted)]);
        }
        if ($this->selectTheSame($wanted, $given)) {
            return new Verdict(true, corners: [count($wanted), count($wanted)]);
        }
        $verdicts = $this->matched($wanted, $given);
        $right = count($verdicts);
        $isWhole = $right === count($wanted) && $right === count($given);
        $all = fn (string $property): bool => array_filter($verdicts, fn (Verdict $one): bool => ! $one->has($property)) === [];

        return new Verdict($isWhole, $isWhole && $all('dashed'), $isWhole && $all('side'), corners: [$right, count($wanted)]);
    }

    /**
     * @param  non-empty-list<Figure>  $wanted
     * @param  non-empty-list<Figure>  $given
     */
    private function selectTheSame(array $wanted, array $given): bool
    {
        foreach ([...$wanted, ...$given] as $one) {
            if ($one->curve !== null) {
                return false;
            }
        }

        return Region::of($wanted)->is(Region::asDrawn($given), Region::boxAround([...$wanted, ...$given]));
    }

    /**
     * Of each wanted boundary that was drawn, how far it is right; the best for it of those that are left.
     *
     * @param  list<Figure>  $wanted
     * @param  list<Figure>  $given
     * @return list<Verdict>
     */
    private function matched(array $wanted, array $given): array
    {
        $found = [];
        foreach ($wanted as $one) {
            $best = null;
            foreach ($given as $i => $other) {
                $verdict = $this->comparison->of($one, $other);
                if ($verdict->position && ($best === null || $verdict->isRight())) {
                    $best = [$i, $verdict];
                }
            }
            if ($best !== null) {
                unset($given[$best[0]]);
                $found[] = $best[1];
            }
        }

        return $found;
    }
}
