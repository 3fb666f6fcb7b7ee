<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Spot;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Pictures\PictureCheck;
use WideQuarry\Pictures\Region;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Scoring\ScoringContext;

/** What an author should mend in regions that are picked. */
final class SpotCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, SpotSettings $settings, ScoringContext $in): array
    {
        $path = "$part->path/settings";
        $check = new PictureCheck($settings->picture, $in->roll);
        $findings = [...$check->picture($path), ...$this->regions($settings, $check, $path), ...$this->key($part, $settings)];
        if ($settings->isHidden) {
            // dropped by Completeness where another part may be answered instead
            $findings[] = Finding::warning('picture.by_sight_alone', $path, Message::of('parts.spot.only-by-sight'));
        }
        if ($settings->max !== null && $settings->min > $settings->max) {
            $findings[] = Finding::blocking('spot.min_above_max', "$path/min", Message::of('parts.spot.least-most-cannot-both', [
                'min' => $settings->min,
                'max' => $settings->max,
            ]));
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function regions(SpotSettings $settings, PictureCheck $check, string $path): array
    {
        $count = count($settings->regions);
        if ($count < ($settings->isHidden ? 1 : 2)) {
            return [
                Finding::blocking('regions.too_few', "$path/regions", Message::of('parts.spot.too-few-regions', [
                    'count' => $count,
                ])),
                ...$check->areas(array_map(fn (Region $region): array => [$region->area, $region->path], $settings->regions)),
            ];
        }
        $findings = $check->areas(array_map(fn (Region $region): array => [$region->area, $region->path], $settings->regions));
        $names = [];
        foreach ($settings->regions as $region) {
            $name = mb_strtolower(trim($region->label));
            if ($name === '' && ! $settings->isHidden) {
                $findings[] = Finding::warning('region.unnamed', "$region->path/label", Message::of('parts.spot.region-without-name'));
            } elseif ($name !== '' && isset($names["=$name"])) {
                $findings[] = Finding::warning('region.same_name', "$region->path/label", Message::of('parts.spot.regions-same-name', [
                    'name' => $region->label,
                ]), ['same_as' => $names["=$name"]]);
            }
            $names["=$name"] ??= $region->id;
        }

        return $findings;
    }

    /** @return list<Finding> */
    private function key(Part $part, SpotSettings $settings): array
    {
        $findings = [];
        $seen = [];
        foreach ($part->key->rules as $rule) {
            $on = is_string($rule->on) ? $rule->on : '';
            if (! in_array($on, $settings->ids(), true)) {
                $findings[] = Finding::blocking('key.unknown', "$rule->path/on", Message::of('parts.spot.key-names-no-region', [
                    'on' => $on,
                ]), ['gone' => $on]);
            } elseif (isset($seen["=$on"])) {
                $findings[] = Finding::blocking('key.listed_twice', "$rule->path/on", Message::of('parts.spot.two-rules-name-region'));
            }
            $seen["=$on"] = true;
        }
        $right = count(SpotKey::right($part));
        if ($part->scheme !== Scheme::Person && $right === 0) {
            $findings[] = Finding::blocking('key.nothing_right', "$part->path/key/rules", Message::of('parts.spot.no-region-right'));
        }
        if ($settings->max !== null && $right > $settings->max && $part->scheme !== Scheme::Weights) {
            $findings[] = Finding::blocking(
                'spot.more_right_than_max',
                "$part->path/settings/max",
                Message::of('parts.spot.regions-right-most-may', ['right' => $right, 'max' => $settings->max]),
            );
        }

        return $findings;
    }
}
