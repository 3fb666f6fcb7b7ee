<?php

declare(strict_types=1);

namespace WideQuarry\Marking;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** What a person gave for one criterion: a level, points, or both where a level is a range. */
final readonly class CriterionMark
{
    /** @param  BigRational|null  $points  null while the marker has yet to choose within the range of the level */
    private function __construct(public ?Level $level, public ?BigRational $points)
    {
    }

    /** @throws Malformed when the criterion has no such level, or its levels do not go so far */
    public static function read(mixed $json, string $path, Criterion $criterion): self
    {
        $fields = Fields::of($json, $path, ['level', 'points']);
        $level = null;
        if ($fields->has('level')) {
            $id = $fields->id('level');
            $level = $criterion->level($id) ??
                throw Malformed::outOfRange($fields->at('level'), Message::of('marking.level-of-criterion', [
                    'criterion' => $criterion->title,
                    'levels' => implode(', ', array_column($criterion->levels, 'id')),
                ]), $id);
        }
        if (! $fields->has('points')) {
            return new self($level, $level === null || $level->isRange() || ! $level->hasPoints() ? null : $level->to());
        }
        $points = Exact::read($fields->exact('points', '')) ??
            throw Malformed::outOfRange($fields->at('points'), Message::of('marking.exact-number'), $fields->raw('points'));
        [$least, $most] = $level === null ? [$criterion->lowest(), $criterion->highest()] : [$level->from(), $level->to()];
        if ($points->isLessThan($least) || $points->isGreaterThan($most)) {
            throw Malformed::outOfRange($fields->at('points'), Message::of('marking.points-between', [
                'least' => Exact::text($least),
                'most' => Exact::text($most),
            ]), $fields->raw('points'));
        }

        return new self($level ?? $criterion->levelAt($points), $points);
    }
}
