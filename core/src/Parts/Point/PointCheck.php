<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Pictures\Area;
use WideQuarry\Pictures\PictureCheck;
use WideQuarry\Question\NotScorable;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** What an author should mend in areas that points are placed in. */
final class PointCheck
{
    /** Half of a target that is pressed: a point is placed with a glass above the finger. */
    private const LEAST = 12;

    /** @return list<Finding> */
    public function findings(Part $part, PointSettings $settings, ScoringContext $in): array
    {
        $check = new PictureCheck($settings->picture, $in->roll, self::LEAST);
        $findings = [
            ...$check->picture("$part->path/settings"),
            ...$check->areas(
                array_map(fn (Rule $rule): array => [PointKind::area($rule), "$rule->path/on"], $part->key->rules),
            ),
        ];
        $right = count(array_filter($part->key->rules, self::earns(...)));
        if ($part->scheme !== Scheme::Person && $right === 0) {
            $findings[] = Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.point.no-area-right'));
        }
        if ($settings->max !== null && $right > $settings->max && in_array($part->scheme, [Scheme::Each, Scheme::All], true)) {
            $findings[] = Finding::blocking(
                'point.more_right_than_max',
                "$part->path/settings/max",
                Message::of('parts.point.areas-right-most-may', ['right' => $right, 'max' => $settings->max]),
            );
        }

        return $findings;
    }

    private static function earns(Rule $rule): bool
    {
        try {
            return $rule->on instanceof Area && $rule->credit()->isPositive();
        } catch (NotScorable) {
            return false; // found by the check of every key
        }
    }
}
