<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Parts\Item;
use WideQuarry\Parts\Named;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Parts\PairOn;
use WideQuarry\Parts\Pairs;
use WideQuarry\Parts\PartKind;
use WideQuarry\Parts\Shuffled;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Key;
use WideQuarry\Question\Part;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\Circumstances;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\Scheme;

/** The learner sorts items into named groups. Response: {"groups": {"g1": ["i1", "i3"]}}. */
final class GroupKind implements PartKind
{
    public function name(): string
    {
        return 'group';
    }

    public function isInline(): bool
    {
        return false;
    }

    public function readSettings(mixed $json, string $path): GroupSettings
    {
        return GroupSettings::read($json, $path);
    }

    /** Item first, then group. */
    public function readOn(mixed $json, string $path): PairOn
    {
        return PairOn::read($json, $path);
    }

    public function schemes(): array
    {
        return Scheme::FOR_SEVERAL;
    }

    public function usualScheme(object $settings): Scheme
    {
        return Scheme::Each;
    }

    public function extras(): array
    {
        return ['cost' => '1'];
    }

    public function score(Part $part, Key $key, \stdClass $response, Circumstances $in): PartOutcome
    {
        $settings = self::settings($part);
        $sorted = $response->groups ?? null;
        if (! $sorted instanceof \stdClass) {
            return PartOutcome::unreadable('response.shape', 'The response to groups is {"groups": {group id: [item ids]}}.');
        }
        $given = [];
        foreach (get_object_vars($sorted) as $id => $items) {
            $group = Item::find($settings->groups, (string) $id);
            if ($group === null) {
                return PartOutcome::unreadable('group.unknown_group', "There is no group \"$id\".");
            }
            if (! is_array($items) || array_filter($items, is_string(...)) !== $items) {
                return PartOutcome::unreadable('response.shape', 'A group holds a list of identifiers.');
            }
            if ($group->limit !== null && count(array_unique($items)) > $group->limit) {
                return PartOutcome::unreadable('group.full', "The group \"$group->id\" holds $group->limit items at most.");
            }
            foreach (array_unique($items) as $item) {
                if (Item::find($settings->items, $item) === null) {
                    return PartOutcome::unreadable('group.unknown_item', "There is no item \"$item\".");
                }
                if (isset($given["=$item"])) {
                    return PartOutcome::unreadable('group.twice', "The item \"$item\" lies in two groups.");
                }
                $given["=$item"] = [$item, $group->id];
            }
        }

        return $given === [] ? PartOutcome::unanswered() : Pairs::byFirst($part, array_values($given), array_column(Item::filled($settings->items), 'id'));
    }

    public function present(Part $part, Circumstances $in, Seed $seed): array
    {
        $settings = self::settings($part);
        $items = Item::filled($settings->items);
        $items = $settings->shuffle ? Shuffled::away($seed, $part->id, $items, PairOn::along(PairCheck::right($part), $settings->groups, 'second'), true) : $items;

        return [
            'items' => array_map(fn (Item $item): array => $item->shown($in->roll->written), $items),
            'groups' => array_map(fn (Item $group): array => [...$group->shown($in->roll->written), 'max' => $group->limit], Item::filled($settings->groups)),
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new GroupOnPaper)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, Circumstances $in, Paper $paper): array
    {
        return (new GroupOnPaper)->answers($part, $presented, $paper);
    }

    public function check(Part $part, Circumstances $in): array
    {
        return (new GroupCheck)->findings($part, self::settings($part));
    }

    public function texts(Part $part): array
    {
        return array_column([...self::settings($part)->groups, ...self::settings($part)->items], 'html');
    }

    public function written(Part $part, string $written, Circumstances $in): \stdClass
    {
        $settings = self::settings($part);
        $groups = [];
        foreach (Named::pieces($written) as $piece) {
            [$group, $items] = Named::sides($piece, ':', "“{$piece}” names no group. Write a group, a colon and what lies in it.");
            $id = Named::items($settings->groups)->one($group);
            $groups[$id] = [...$groups[$id] ?? [], ...Named::items($settings->items)->several($items)]; // a group may be named twice
        }

        return (object) ['groups' => (object) $groups];
    }

    private static function settings(Part $part): GroupSettings
    {
        assert($part->settings instanceof GroupSettings);

        return $part->settings;
    }
}
