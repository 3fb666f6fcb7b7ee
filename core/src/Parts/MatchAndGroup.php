<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use WideQuarry\Converting\AcceptedAnswer;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** What is joined as what is sorted, and back: the partners are the groups. */
final class MatchAndGroup
{
    public static function toGroups(Draft $draft, \stdClass $part): void
    {
        $items = array_map(
            fn (\stdClass $left): \stdClass => (object) ['id' => $left->id, 'html' => PartJson::text($left, 'html')],
            PartJson::list($part->settings ?? null, 'left'),
        );
        $groups = array_map(
            fn (\stdClass $right): \stdClass => (object) ['id' => $right->id, 'html' => PartJson::text($right, 'html'), 'max' => null],
            PartJson::list($part->settings ?? null, 'right'),
        );
        foreach (PartJson::list($part->settings ?? null, 'left') as $left) {
            if (
                count(
                    array_filter(
                        PartJson::rules($part),
                        fn (\stdClass $rule): bool => is_array($rule->on ?? null) && $rule->on[0] === $left->id && self::isRight($rule),
                    ),
                ) > 1
            ) {
                $draft->lose(
                    Message::of('parts.several-right-partners-item', [
                        'words' => (new AcceptedAnswer(PartJson::text($left, 'html'), '0'))->words(),
                    ]),
                );
            }
        }
        self::settle($draft, $part, 'group', [
            'items' => $items,
            'groups' => $groups,
            'shuffle' => PartJson::settings($part)->shuffle ?? true,
        ]);
    }

    public static function toPairs(Draft $draft, \stdClass $part): void
    {
        $rules = PartJson::rules($part);
        $placed = fn (\stdClass $item): bool => array_filter(
            $rules,
            fn (\stdClass $rule): bool => is_array($rule->on ?? null) && $rule->on[0] === $item->id && self::isRight($rule),
        ) !== [];
        $left = $gone = [];
        foreach (PartJson::list($part->settings ?? null, 'items') as $item) {
            if ($placed($item)) {
                $left[] = (object) ['id' => $item->id, 'html' => PartJson::text($item, 'html'), 'uses' => 1];
            } else {
                $gone[] = $item->id;
                $draft->lose(
                    Message::of('parts.belongs-in-no-group', [
                        'words' => (new AcceptedAnswer(PartJson::text($item, 'html'), '0'))->words(),
                    ]),
                );
            }
        }
        $right = array_map(
            fn (\stdClass $group): \stdClass => (object) [
                'id' => $group->id,
                'html' => PartJson::text($group, 'html'),
                'uses' => $group->max ?? null,
            ],
            PartJson::list($part->settings ?? null, 'groups'),
        );
        assert(($part->key ?? null) instanceof \stdClass);
        $part->key->rules = array_values(
            array_filter($rules, fn (\stdClass $rule): bool => ! is_array($rule->on ?? null) || ! in_array($rule->on[0], $gone, true)),
        );
        self::settle($draft, $part, 'match', [
            'left' => $left,
            'right' => $right,
            'by' => 'grid',
            'shuffle' => PartJson::settings($part)->shuffle ?? true,
        ]);
    }

    /** @param  array<string, mixed>  $settings */
    private static function settle(Draft $draft, \stdClass $part, string $kind, array $settings): void
    {
        $new = clone $part;
        $new->kind = $kind;
        $new->settings = (object) $settings;
        $draft->replace(PartJson::text($part, 'id'), [$new]);
    }

    private static function isRight(\stdClass $rule): bool
    {
        return Exact::read(PartJson::text($rule, 'credit'))?->isPositive() === true;
    }
}
