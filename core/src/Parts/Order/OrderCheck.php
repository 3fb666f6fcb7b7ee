<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Order;

use WideQuarry\Finding;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\PairCheck;
use WideQuarry\Question\Part;
use WideQuarry\Question\Scheme;

/** What an author should mend in a sequence. */
final class OrderCheck
{
    /** @return list<Finding> */
    public function findings(Part $part, OrderSettings $settings): array
    {
        $at = "$part->path/settings/items";
        $on = ($part->key->rules[0] ?? null)?->on;
        $ranks = $on instanceof Ranks ? $on : Ranks::read([], '');
        $named = array_fill_keys(array_map(fn (string $id): string => "=$id", $ranks->flat()), true);
        $findings = PairCheck::items($settings->items, 'item', $named);
        $loose = $settings->loose();
        if (count($loose) < 2) {
            $findings[] = Finding::blocking(
                'order.too_few',
                $at,
                count($loose) === 1
                    ? Message::of('parts.order.sequence-one-order-already')
                    : Message::of('parts.order.nothing-put-order-yet'),
            );
        }
        if ($part->scheme === Scheme::Person) {
            return $findings;
        }
        $path = "$part->path/key/rules";
        if (count($part->key->rules) > 1) {
            $findings[] = Finding::blocking('order.one_rule', $path, Message::of('parts.order.right-order-one-rule'));
        }
        foreach (array_diff($ranks->flat(), array_column($settings->items, 'id')) as $gone) {
            $findings[] = Finding::blocking('key.unknown', $path, Message::of('parts.order.key-names-no-item', ['gone' => $gone]), [
                'gone' => $gone,
            ]);
        }
        $twice = array_keys(array_filter(array_count_values($ranks->flat()), fn (int $times): bool => $times > 1));
        if ($twice !== []) {
            $findings[] = Finding::blocking('key.listed_twice', $path, Message::of('parts.order.item-stands-right-order', [
                'twice' => $twice[0],
            ]));
        }
        $missing = array_values(array_diff($loose, $ranks->flat()));
        if ($missing !== [] && count($loose) > 1) {
            $findings[] = Finding::blocking('order.no_rank', $path, Message::of('parts.order.right-order-does-not-say'), [
                'items' => $missing,
            ]);
        } elseif (count($loose) > 1 && count(array_unique($ranks->of($loose))) < 2) {
            $findings[] = Finding::blocking('order.all_equal', $path, Message::of('parts.order.all-items-same-rank'));
        }

        return $findings;
    }
}
