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
     * @param  array<string, int>|null  $times  Assessment::timesAsked(), where several draws are checked
     * @return list<Finding>
     */
    public static function of(Draw $draw, Assessment $assessment, array $there, ?array $times = null): array
    {
        $times ??= $assessment->timesAsked();
        $pool = array_intersect_key($there, array_flip($draw->pool));
        $missing = count($draw->pool) - count($pool);
        $findings = self::small($draw, $pool);
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
        $twice = count(array_filter($draw->pool, fn (string $question): bool => $times[$question] > 1));
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

    /**
     * @param  array<string, BigRational>  $pool  questions of it that are there
     * @return list<Finding>
     */
    private static function small(Draw $draw, array $pool): array
    {
        $findings = [];
        foreach ($draw->sources as $source) {
            $there = count(array_intersect_key($pool, array_flip($source->pool)));
            if ($there < $source->count) {
                $sentence = count($draw->sources) === 1
                    ? Message::of('assembly.pool-fewer-drawn', ['questions' => self::questions($there), 'count' => $source->count])
                    : Message::of('assembly.draw-source-small', [
                        'title' => $source->title === '' ? Message::of('assembly.the-pool') : "“{$source->title}”",
                        'questions' => self::questions($there),
                        'count' => $source->count,
                    ]);
                $findings[] = Finding::warning('draw.small', "/$draw->id", $sentence);
            }
            if ($source->grows && count($source->pool) === DrawSource::POOL) {
                $sentence = Message::of('assembly.draw-pool-full', ['n' => DrawSource::POOL]);
                $findings[] = Finding::warning('draw.full', "/$draw->id", $sentence);
            }
        }
        $most = $findings === [] ? $draw->most($pool) : $draw->count;
        if ($most < $draw->count) {
            $sentence = Message::of('assembly.draw-together-small', ['most' => $most, 'count' => $draw->count]);
            $findings[] = Finding::warning('draw.small', "/$draw->id", $sentence);
        }

        return $findings;
    }

    private static function questions(int $n): string
    {
        return $n === 1 ? Message::of('assembly.one-question') : "$n questions";
    }
}
