<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Group;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\MaximumMatching;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;

/** What an author should mend in groups and what is sorted into them. */
final class GroupCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, GroupSettings $settings): array
    {
        $named = PairCheck::named($part);
        $findings = [
            ...PairCheck::items($settings->items, 'item', $named),
            ...PairCheck::items($settings->groups, 'group', $named),
            ...PairCheck::key($part, array_column($settings->items, 'id'), array_column($settings->groups, 'id'), ['item', 'group']),
        ];
        if (Item::filled($settings->items) === []) {
            $findings[] = Finding::blocking('group.no_items', "$part->path/settings/items", Message::of('parts.group.nothing-sort-yet'));
        }
        if (count(Item::filled($settings->groups)) < 2) {
            $findings[] = Finding::blocking(
                'group.too_few_groups',
                "$part->path/settings/groups",
                Message::of('parts.group.sorting-needs-least-two'),
            );
        }

        return [
            ...$findings,
            ...PairCheck::reach($part, array_map(fn (array $of) => $of[0], array_values(PairCheck::credits($part)))),
            ...MaximumMatching::findings(
                'group.too_small',
                "$part->path/key/rules",
                PairTarget::earning($part),
                $settings->groups,
                fn (Item $group, int $needed): string => Message::of('parts.group.holds-items-belong', [
                    'words' => PairCheck::words($group),
                    'limit' => $group->limit,
                    'needed' => $needed,
                ]),
                Message::of('parts.group.not-every-item-fits'),
            ),
        ];
    }
}
