<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Finding;
use WideQuarry\Messages\Message;

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
                Message::of('assembly.pool-fewer-drawn', ['questions' => self::questions(count($pool)), 'count' => $draw->count]),
            );
        }
        if ($missing > 0) {
            $findings[] = Finding::warning(
                'draw.gone',
                "/$draw->id",
                Message::of('assembly.pool-longer-available', [
                    'questions' => ucfirst(self::questions($missing)),
                    'missing' => $missing,
                ]),
            );
        }
        if (count(array_unique(array_map(fn (BigRational $points): string => (string) $draw->points($points), $pool))) > 1) {
            $findings[] = Finding::warning(
                'draw.unequal',
                "/$draw->id",
                Message::of('assembly.questions-worth-different-points'),
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
                Message::of('assembly.pool-asked-elsewhere-assessment', [
                    'questions' => ucfirst(self::questions($twice)),
                    'twice' => $twice,
                ]),
            );
        }

        return $findings;
    }

    private static function questions(int $n): string
    {
        return $n === 1 ? Message::of('assembly.one-question') : "$n questions";
    }
}
