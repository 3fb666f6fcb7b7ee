<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** From what each criterion earned to the points of the rubric: what depends on others, the best of each group, the most that counts. */
final class RubricTotal
{
    /** @var list<array<string, mixed>> */
    private array $trace = [];

    /** @var array<string, true> criteria that do not count */
    private array $left = [];

    public function __construct(private readonly Rubric $rubric)
    {
    }

    /**
     * @param  array<string, BigRational>  $earned  by criterion, weighted
     * @return array{points: BigRational, left: list<string>, trace: list<array<string, mixed>>}
     */
    public function of(array $earned): array
    {
        $earned = $this->withoutDependents($earned);
        $sum = Exact::zero();
        foreach ($this->rubric->groups as $group) {
            $sum = $sum->plus($this->ofGroup($group, $earned));
        }
        $groups = array_column($this->rubric->groups, 'id');
        foreach ($this->rubric->marked() as $criterion) {
            $isAlone = $criterion->group === null || ! in_array($criterion->group, $groups, true);
            $sum = $isAlone ? $sum->plus($earned[$criterion->id] ?? Exact::zero()) : $sum;
        }
        $this->trace[] = ['step' => 'rubric.summed', 'value' => Exact::text($sum)];
        $points = $this->capped($sum, $this->rubric->cap(), ['step' => 'rubric.capped']);

        return ['points' => Exact::simplified($points), 'left' => array_map(strval(...), array_keys($this->left)), 'trace' => $this->trace];
    }

    /**
     * A criterion counts once all it needs have earned something, which may themselves need others; in a ring none ever does.
     *
     * @param  array<string, BigRational>  $earned
     * @return array<string, BigRational>
     */
    private function withoutDependents(array $earned): array
    {
        $open = [];
        do {
            $before = count($open);
            foreach ($this->rubric->marked() as $criterion) {
                if (! isset($open[$criterion->id]) && array_diff($criterion->needs, array_keys(array_filter($open))) === []) {
                    $open[$criterion->id] = ($earned[$criterion->id] ?? Exact::zero())->isPositive();
                }
            }
        } while (count($open) > $before);
        foreach ($this->rubric->marked() as $criterion) {
            if (! isset($open[$criterion->id]) && isset($earned[$criterion->id])) {
                $this->left[$criterion->id] = true;
                if (! $earned[$criterion->id]->isZero()) {
                    $this->trace[] = ['step' => 'criterion.dependent', 'criterion' => $criterion->id, 'needs' => $criterion->needs];
                }
                $earned[$criterion->id] = Exact::zero();
            }
        }

        return $earned;
    }

    /** @param  array<string, BigRational>  $earned */
    private function ofGroup(CriteriaGroup $group, array $earned): BigRational
    {
        $inside = array_filter($this->rubric->marked(), fn (Criterion $criterion): bool => $criterion->group === $group->id);
        $worth = [];
        foreach ($inside as $criterion) {
            $worth[$criterion->id] = $earned[$criterion->id] ?? Exact::zero();
        }
        uasort($worth, fn (BigRational $one, BigRational $other): int => $other->compareTo($one)); // stable since PHP 8.0
        $counted = $group->any === null ? $worth : array_slice($worth, 0, $group->any, true);
        $leftOut = array_filter(array_diff_key($worth, $counted), fn (BigRational $points): bool => ! $points->isZero());
        if ($leftOut !== []) {
            $ids = array_map(strval(...), array_keys($leftOut));
            $this->left += array_fill_keys($ids, true);
            $this->trace[] = ['step' => 'group.best', 'group' => $group->id, 'any' => $group->any, 'left' => $ids];
        }
        $sum = array_reduce($counted, fn (BigRational $sum, BigRational $points): BigRational => $sum->plus($points), Exact::zero());

        return $this->capped($sum, $group->cap(), ['step' => 'group.capped', 'group' => $group->id]);
    }

    /** @param  array<string, mixed>  $step */
    private function capped(BigRational $points, ?BigRational $cap, array $step): BigRational
    {
        if ($cap === null || $points->isLessThanOrEqualTo($cap)) {
            return $points;
        }
        $this->trace[] = [...$step, 'from' => Exact::text($points), 'to' => Exact::text($cap)];

        return $cap;
    }
}
