<?php

declare(strict_types=1);

namespace WideQuarry\Checks;

use Brick\Math\BigRational;
use WideQuarry\Finding;
use WideQuarry\Marking\Criterion;
use WideQuarry\Marking\Level;
use WideQuarry\Marking\Rubric;
use WideQuarry\Marking\RubricScheme;
use WideQuarry\Marking\RubricText;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** Whether people can mark by a rubric, and whether it gives what the part is worth. */
final class RubricCheck
{
    /** @return list<Finding> */
    public static function ofPart(Part $part): array
    {
        $rubric = $part->key->rubric;

        return match (true) {
            $rubric === null => [],
            $part->scheme !== Scheme::Person => [Finding::warning('rubric.unused', $rubric->path, Message::of('checks.rubric-unused'))],
            default => self::of($rubric, $part->points()),
        };
    }

    /**
     * @param  BigRational|null  $points  of the part it is for; null where it is for none yet
     * @return list<Finding>
     */
    public static function of(Rubric $rubric, ?BigRational $points): array
    {
        if ($rubric->criteria === [] && $rubric->html !== '') {
            return []; // words alone are fine: not every part needs levels
        }
        if ($rubric->criteria === []) {
            return [Finding::warning('rubric.empty', "$rubric->path/criteria", Message::of('checks.rubric-empty'))];
        }
        $findings = [];
        foreach ($rubric->marked() as $criterion) {
            array_push($findings, ...self::criterion($criterion, $rubric));
        }

        return [...$findings, ...self::ring($rubric), ...self::groups($rubric), ...self::whole($rubric, $points)];
    }

    /** @return list<Finding> */
    private static function criterion(Criterion $criterion, Rubric $rubric): array
    {
        $named = ['criterion' => $criterion->title === '' ? $criterion->id : $criterion->title];
        $findings = [];
        if (trim($criterion->title) === '' && $rubric->scheme !== RubricScheme::Holistic) {
            $findings[] = Finding::warning('rubric.untitled', "$criterion->path/title", Message::of('checks.criterion-untitled'));
        }
        if ($criterion->levels === []) {
            $said = Message::of('checks.criterion-no-levels', $named);
            $findings[] = Finding::blocking('rubric.no_levels', "$criterion->path/levels", $said);
        }
        $weight = $criterion->weight();
        if ($weight === null || $weight->isNegative()) {
            $findings[] = Finding::blocking('rubric.weight', "$criterion->path/weight", Message::of('checks.criterion-weight', $named));
        }
        foreach ($criterion->needs as $i => $id) {
            if ($id === $criterion->id || $rubric->criterion($id) === null) {
                $findings[] = Finding::blocking('rubric.needs', "$criterion->path/needs/$i", Message::of('checks.criterion-needs', $named));
            }
        }
        if ($criterion->group !== null && ! in_array($criterion->group, array_column($rubric->groups, 'id'), true)) {
            $findings[] = Finding::blocking('rubric.group', "$criterion->path/group", Message::of('checks.criterion-group', $named));
        }
        foreach ($criterion->levels as $level) {
            array_push($findings, ...self::level($level, $criterion, $rubric->scheme));
        }

        return [...$findings, ...self::overlaps($criterion)];
    }

    /** @return list<Finding> */
    private static function level(Level $level, Criterion $criterion, RubricScheme $scheme): array
    {
        $findings = [];
        if (! $level->hasPoints()) {
            $findings[] = Finding::blocking('rubric.level_points', "$level->path/points", Message::of('checks.level-without-points'));
        } elseif ($level->isReversed()) {
            $findings[] = Finding::blocking('rubric.level_range', "$level->path/points", Message::of('checks.level-reversed', [
                'points' => RubricText::points($level),
            ]));
        }
        if (! $criterion->mayBeNegative && $level->from()->isNegative()) {
            $findings[] = Finding::blocking('rubric.negative', "$level->path/points", Message::of('checks.level-negative'));
        }
        // what a point on a checklist is about is in its title
        if ($scheme !== RubricScheme::Checklist && trim($level->html) === '') {
            $findings[] = Finding::warning('rubric.descriptor', "$level->path/html", Message::of('checks.level-without-descriptor'));
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function overlaps(Criterion $criterion): array
    {
        $findings = [];
        $before = null;
        foreach ($criterion->ascending() as $level) {
            if ($before !== null && $before->hasPoints() && $level->hasPoints() && $before->to()->isGreaterThanOrEqualTo($level->from())) {
                $findings[] = Finding::warning('rubric.levels_overlap', "$level->path/points", Message::of('checks.levels-overlap', [
                    'one' => RubricText::points($before),
                    'other' => RubricText::points($level),
                ]));
            }
            $before = $level;
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function ring(Rubric $rubric): array
    {
        $open = [];
        do {
            $before = count($open);
            foreach ($rubric->criteria as $criterion) {
                if (array_diff($criterion->needs, $open) === []) {
                    $open = array_values(array_unique([...$open, $criterion->id]));
                }
            }
        } while (count($open) > $before);
        foreach ($rubric->criteria as $criterion) {
            $isKnown = array_filter($criterion->needs, fn (string $id): bool => $rubric->criterion($id) === null) === [];
            if ($isKnown && ! in_array($criterion->id, $open, true) && ! in_array($criterion->id, $criterion->needs, true)) {
                return [Finding::blocking('rubric.ring', "$criterion->path/needs", Message::of('checks.criteria-in-a-ring'))];
            }
        }

        return [];
    }

    /** @return list<Finding> */
    private static function groups(Rubric $rubric): array
    {
        $findings = [];
        foreach ($rubric->groups as $group) {
            $inside = count(array_filter($rubric->criteria, fn (Criterion $criterion): bool => $criterion->group === $group->id));
            if ($group->any !== null && $group->any > $inside) {
                $findings[] = Finding::warning('rubric.any', "$group->path/any", Message::of('checks.group-any', [
                    'any' => $group->any,
                    'of' => $inside,
                ]));
            }
        }

        return $findings;
    }

    /** @return list<Finding> */
    private static function whole(Rubric $rubric, ?BigRational $points): array
    {
        $findings = [];
        if ($rubric->scheme === RubricScheme::Holistic && count($rubric->criteria) > 1) {
            $findings[] = Finding::blocking('rubric.holistic', "$rubric->path/criteria/1", Message::of('checks.rubric-holistic'));
        }
        $highest = $rubric->highest();
        if ($points !== null && ! $highest->isEqualTo($points) && ! $points->isZero()) {
            $findings[] = Finding::warning(
                $highest->isLessThan($points) ? 'rubric.below_points' : 'rubric.above_points',
                $rubric->path,
                Message::of($highest->isLessThan($points) ? 'checks.rubric-below-points' : 'checks.rubric-above-points', [
                    'reaches' => RubricText::number($highest),
                    'points' => RubricText::number($points),
                    'difference' => RubricText::number($highest->minus($points)->abs()),
                ]),
            );
        }

        return $findings;
    }
}
