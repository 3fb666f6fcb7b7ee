<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** What an answer earned by a rubric, and which criteria a person has yet to mark. */
final readonly class RubricScore
{
    /**
     * @param  BigRational  $points  of what has been marked so far
     * @param  list<array{id: string, level: string|null, points: string|null, earned: string|null, counts: bool}>  $criteria  points as
     *     given, earned after most and weight
     * @param  list<string>  $open  ids of criteria without marks
     * @param  list<array<string, mixed>>  $trace
     */
    private function __construct(public BigRational $points, public array $criteria, public array $open, public array $trace)
    {
    }

    public static function of(Rubric $rubric, PartMarks $marks): self
    {
        $earned = $trace = $rows = $open = [];
        foreach ($rubric->marked() as $criterion) {
            $mark = $marks->criteria[$criterion->id] ?? null;
            $points = $mark?->points;
            if ($points === null) {
                $open[] = $criterion->id;
            } else {
                $earned[$criterion->id] = $criterion->worth($points);
                $trace[] = [
                    'step' => 'criterion.marked',
                    'criterion' => $criterion->id,
                    'level' => $mark->level?->id,
                    'points' => Exact::text($points),
                    'value' => Exact::text($earned[$criterion->id]),
                ];
            }
            $rows[] = [$criterion->id, $mark?->level?->id, $points, $earned[$criterion->id] ?? null];
        }
        $total = (new RubricTotal($rubric))->of($earned);
        $text = fn (?BigRational $value): ?string => $value === null ? null : Exact::text($value);

        return new self(
            $total['points'],
            array_map(fn (array $row): array => [
                'id' => $row[0],
                'level' => $row[1],
                'points' => $text($row[2]),
                'earned' => $text($row[3]),
                'counts' => ! in_array($row[0], $total['left'], true),
            ], $rows),
            $open,
            [...$trace, ...$total['trace']],
        );
    }
}
