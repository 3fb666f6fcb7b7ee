<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Point;

use WideQuarry\Geometry\Box;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Plain\PlainPicture;
use WideQuarry\Messages\Message;
use WideQuarry\Pictures\PlainRegions;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Question\Scheme;
use WideQuarry\Variables\Roll;

/** Points on a picture for plain formats: the areas that judge them are what is picked, each by a place in it. */
final class PlainPoints
{
    public static function of(Part $part, PointSettings $settings, Roll $roll): PlainPart
    {
        $picture = PlainRegions::picture($settings->picture);
        if (
            $part->scheme === Scheme::Person ||
            $part->key->rules === [] ||
            ($settings->max !== 1 && self::overlap($part, $roll))
        ) {
            return PlainPart::byHand($picture, [['point.by_hand', Message::of('parts.point.cannot-be-placed-there')]]);
        }
        $areas = $options = [];
        foreach ($part->key->rules as $rule) {
            $area = PointKind::area($rule);
            $areas[$rule->id] = ['shape' => $area->shape, 'at' => $area->numbers($roll)];
            $options[] = ['id' => $rule->id, 'html' => ''];
        }
        $countsOthers = ! $part->key->default()->isZero() ||
            ($part->scheme === Scheme::All && ($settings->max === null || $settings->max > count($areas)));

        return PlainPart::picks(
            $options,
            $settings->max,
            false,
            false,
            $picture,
            $countsOthers ? [['point.outside', Message::of('parts.point.places-outside-count-nothing')]] : [],
            new PlainPicture($picture, $areas, isPlaced: true),
            $part->withKey($part->key->map(fn (Rule $rule): Rule => $rule->about($rule->id))),
        );
    }

    /** Whether two areas meet: among several points it would not be known which lies in which. */
    private static function overlap(Part $part, Roll $roll): bool
    {
        $boxes = array_map(fn (Rule $rule): ?Box => PointKind::area($rule)->in($roll)?->box(), $part->key->rules);
        foreach ($boxes as $i => $box) {
            foreach (array_slice($boxes, 0, $i) as $other) {
                if ($box !== null && $other?->meets($box) === true) {
                    return true;
                }
            }
        }

        return false;
    }
}
