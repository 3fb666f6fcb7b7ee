<?php

declare(strict_types=1);

namespace WideQuarry\Graph\Compare;

use Brick\Math\BigRational;
use WideQuarry\Graph\Figure;
use WideQuarry\Graph\FigureKind;
use WideQuarry\Graph\Grid;
use WideQuarry\Graph\Verdict;
use WideQuarry\Numbers\Exact;

/** Intervals and rays of a number line, by their ends and whether these belong to them. */
final readonly class IntervalComparison
{
    public function __construct(private Grid $grid, private BigRational $tolerance)
    {
    }

    public function of(Figure $wanted, Figure $given): Verdict
    {
        [$one, $other] = [self::inOrder($wanted), self::inOrder($given)];
        $position = $wanted->kind === FigureKind::Interval
            ? $this->isNear($one[0][0], $other[0][0]) && $this->isNear($one[1][0], $other[1][0])
            : $this->isNear($one[0][0], $other[0][0]) &&
                Exact::compare($one[1][0], $one[0][0]) === Exact::compare($other[1][0], $other[0][0]);
        $ends = $one[0][1] === $other[0][1] && $one[1][1] === $other[1][1];

        return new Verdict($position, ends: $ends);
    }

    /** @return array{array{BigRational, string}, array{BigRational, string}} its ends, of an interval the lower first */
    private static function inOrder(Figure $figure): array
    {
        $ends = [[$figure->points[0]->x, $figure->ends[0]], [$figure->points[1]->x, $figure->ends[1] ?? '']];

        return $figure->kind === FigureKind::Interval && Exact::compare($ends[0][0], $ends[1][0]) > 0 ? [$ends[1], $ends[0]] : $ends;
    }

    private function isNear(BigRational $a, BigRational $b): bool
    {
        return Exact::compare($a->minus($b)->abs(), $this->tolerance->multipliedBy($this->grid->x->step)) <= 0;
    }
}
