<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Finding;

/** What is wrong with a draw: its pool is too small, its questions are worth different points, or are asked elsewhere too. */
final class DrawCheck
{
    /**
     * @param  array<string, BigRational>  $there  questions that are there, with their own points
     * @return list<Finding>
     */
    public static function of(Draw $draw, Assessment $assessment, array $there): array
    {
        $pool = array_intersect_key($there, array_flip($draw->pool));
        $findings = [];
        $missing = count($draw->pool) - count($pool);
        if (count($pool) < $draw->count) {
            $findings[] = Finding::warning(
                'draw.small',
                "/$draw->id",
                'The pool has '.self::questions(count($pool)).', fewer than the '.$draw->count.' to be drawn.',
            );
        }
        if ($missing > 0) {
            $findings[] = Finding::warning(
                'draw.gone',
                "/$draw->id",
                ucfirst(self::questions($missing)).' of the pool '.($missing === 1 ? 'is' : 'are').' no longer available.',
            );
        }
        if (count(array_unique(array_map(fn (BigRational $points): string => (string) $draw->points($points), $pool))) > 1) {
            $findings[] = Finding::warning(
                'draw.unequal',
                "/$draw->id",
                'Its questions are worth different points, so the total depends on which are drawn. Give all of them the same.',
            );
        }
        $elsewhere = array_map(fn (Pick $pick): string => $pick->question, $assessment->picks());
        foreach ($assessment->draws() as $other) {
            $elsewhere = $other->id === $draw->id ? $elsewhere : [...$elsewhere, ...$other->pool];
        }
        $twice = count(array_intersect(array_unique($elsewhere), $draw->pool));
        if ($twice > 0) {
            $findings[] = Finding::warning(
                'draw.overlap',
                "/$draw->id",
                ucfirst(self::questions($twice)).
                    ' of the pool '.
                    ($twice === 1 ? 'is' : 'are').
                    ' asked elsewhere in this assessment too, and could come twice.',
            );
        }

        return $findings;
    }

    private static function questions(int $n): string
    {
        return $n === 1 ? 'one question' : "$n questions";
    }
}
