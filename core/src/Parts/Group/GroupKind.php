<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Kind;
use WideQuarry\Parts\KindDefaults;
use WideQuarry\Parts\MatchAndGroup;
use WideQuarry\Parts\PairScoring;
use WideQuarry\Parts\ShuffledItems;
use WideQuarry\Parts\WrittenNames;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Item;
use WideQuarry\Question\Key;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\PartOutcome;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Study\StudiedOptions;
use WideQuarry\Study\StudiedPart;

/** The learner sorts items into named groups. Response: {"groups": {"g1": ["i1", "i3"]}}. */
final class GroupKind implements Kind
{
    use KindDefaults;

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
    public function readOn(mixed $json, string $path): PairTarget
    {
        return PairTarget::read($json, $path);
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

    public function score(Part $part, Key $key, \stdClass $response, ScoringContext $in): PartOutcome
    {
        $settings = self::settings($part);
        $sorted = $response->groups ?? null;
        if (! ($sorted instanceof \stdClass)) {
            return PartOutcome::unreadable('response.shape', Message::of('parts.group.response-groups-groups'));
        }
        $given = [];
        foreach (get_object_vars($sorted) as $id => $items) {
            $group = Item::find($settings->groups, (string) $id);
            if ($group === null) {
                return PartOutcome::unreadable('group.unknown_group', Message::of('parts.group.no-group', ['id' => $id]));
            }
            if (! is_array($items) || array_filter($items, is_string(...)) !== $items) {
                return PartOutcome::unreadable('response.shape', Message::of('parts.group.group-holds-list-identifiers'));
            }
            if ($group->limit !== null && count(array_unique($items)) > $group->limit) {
                return PartOutcome::unreadable('group.full', Message::of('parts.group.group-holds-items-most', [
                    'id' => $group->id,
                    'limit' => $group->limit,
                ]));
            }
            foreach (array_unique($items) as $item) {
                if (Item::find($settings->items, $item) === null) {
                    return PartOutcome::unreadable('group.unknown_item', Message::of('parts.group.no', ['item' => $item]));
                }
                if (isset($given["=$item"])) {
                    return PartOutcome::unreadable('group.twice', Message::of('parts.group.item-lies-two-groups', ['item' => $item]));
                }
                $given["=$item"] = [$item, $group->id];
            }
        }

        return $given === []
            ? PartOutcome::unanswered()
            : PairScoring::byFirst($part, array_values($given), array_column(Item::filled($settings->items), 'id'));
    }

    public function shownOrder(Part $part, Seed $seed): array
    {
        return array_column($this->shown($part, $seed), 'id');
    }

    /** @return list<Item> */
    private function shown(Part $part, Seed $seed): array
    {
        $settings = self::settings($part);
        $items = Item::filled($settings->items);
        $pairs = PairTarget::earning($part);

        return $settings->shuffle
            ? ShuffledItems::away($seed, $part->id, $items, PairTarget::along($pairs, $settings->groups, 'second'), true)
            : $items;
    }

    public function present(Part $part, ScoringContext $in, Seed $seed): array
    {
        $settings = self::settings($part);
        $items = $this->shown($part, $seed);

        return [
            'items' => array_map(fn (Item $item): array => $item->shown($in->roll->filling()), $items),
            'groups' => array_map(
                fn (Item $group): array => [...$group->shown($in->roll->filling()), 'max' => $group->limit],
                Item::filled($settings->groups),
            ),
        ];
    }

    public function onPaper(Part $part, array $presented, Paper $paper): string
    {
        return (new PrintedGroup)->part($presented, $paper);
    }

    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        return (new PrintedGroup)->answers($part, $presented, $paper);
    }

    public function check(Part $part, ScoringContext $in): array
    {
        return (new GroupCheck)->findings($part, self::settings($part));
    }

    public function texts(Part $part): array
    {
        return array_column([...self::settings($part)->groups, ...self::settings($part)->items], 'html');
    }

    public function conversions(): array
    {
        return ['match' => MatchAndGroup::toPairs(...)];
    }

    public function studied(Part $part): ?StudiedPart
    {
        return StudiedOptions::of(array_column(self::settings($part)->items, 'html', 'id'));
    }

    public function mapping(): KindMapping
    {
        return new GroupMapping;
    }

    public function written(Part $part, string $written, ScoringContext $in): \stdClass
    {
        $settings = self::settings($part);
        $groups = [];
        foreach (WrittenNames::pieces($written) as $piece) {
            [$group, $items] = WrittenNames::sides($piece, ':', Message::of('parts.group.names-no-group', [
                'piece' => $piece,
            ]));
            $id = WrittenNames::items($settings->groups)->one($group);
            $groups[$id] = [...$groups[$id] ?? [], ...WrittenNames::items($settings->items)->several($items)]; // a group may be named twice
        }

        return (object) ['groups' => (object) $groups];
    }

    private static function settings(Part $part): GroupSettings
    {
        assert($part->settings instanceof GroupSettings);

        return $part->settings;
    }
}
