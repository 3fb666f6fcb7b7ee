<?php

declare(strict_types=1);

namespace WideQuarry\Tests\Support;

use Brick\Math\BigRational;
use WideQuarry\Answer\NumberReader;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Order\Ranks;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Variables\Roll;

/** Responses as systems of other formats hold them, and back as a question that was read from there takes them. */
final class Held
{
    /**
     * In QTI 2 and 3: pairs as two identifiers.
     *
     * @return array<string, list<string>>
     */
    public static function qti(Question $question, \stdClass $response): array
    {
        $held = [];
        foreach ($question->parts as $i => $part) {
            $given = self::placed($question, $part, $response->{$part->id} ?? null);
            if ($given !== null) {
                $held['RESPONSE'.($i === 0 ? '' : $i + 1)] =
                    self::sequence($part, $given) ??
                    (self::pairs(
                        $part->kindName,
                        $given,
                        fn (string $first, string $second): string => in_array($part->kindName, ['tiles', 'label'], true)
                            ? "$second $first"
                            : "$first $second",
                    ) ??
                        self::simple($part->kindName, $given));
            }
        }

        return $held;
    }

    /**
     * In QTI 1.2.1: a row or a gap is a response of its own.
     *
     * @return array<string, list<string>>
     */
    public static function qti12(Question $question, \stdClass $response): array
    {
        $held = [];
        foreach ($question->parts as $part) {
            $given = self::placed($question, $part, $response->{$part->id} ?? null);
            $pairs =
                $given === null
                    ? []
                    : self::pairs($part->kindName, $given, fn (string $first, string $second): array => [$first, $second]);
            foreach ($pairs ?? [] as [$first, $second]) {
                $held[count($question->parts) > 1 ? "$part->id.$first" : $first][] = $second;
            }
            if ($given !== null && $pairs === null) {
                $held[$part->id] = self::sequence($part, $given) ?? self::simple($part->kindName, $given);
            }
        }

        return $held;
    }

    /** @param  array<string, list<string>>  $held */
    public static function back(Question $question, array $held): \stdClass
    {
        $response = new \stdClass();
        foreach ($question->parts as $part) {
            $own = $held[$part->id] ?? [];
            $pairs = array_map(fn (string $pair): array => [...explode(' ', $pair), ''], $own);
            $firsts = match ($part->kindName) {
                'match' => array_map(fn ($item): string => $item->id, $part->settings->left),
                'group' => array_map(fn ($item): string => $item->id, $part->settings->items),
                default => [],
            };
            foreach ($own === [] ? array_intersect_key($held, array_flip($firsts)) : [] as $first => $seconds) {
                array_push($pairs, ...array_map(fn (string $second): array => [(string) $first, $second], $seconds));
            }
            if ($own === [] && $pairs === []) {
                continue;
            }
            $response->{$part->id} = match ($part->kindName) {
                'match' => (object) ['pairs' => array_map(fn (array $pair): array => array_slice($pair, 0, 2), $pairs)],
                'group' => Pairs::given('group', array_map(fn (array $pair): string => "$pair[0] $pair[1]", $pairs))->p1,
                'tiles' => (object) ['gaps' => (object) array_column($pairs, 0, 1)],
                'label' => (object) ['labels' => (object) array_column($pairs, 0, 1)],
                'spot' => (object) ($part->settings->isHidden ? ['at' => self::inside($part, $own)] : ['spots' => $own]),
                'point' => (object) ['points' => array_map(
                    fn (string $at): array => array_map(fn (string $one): float => (float) $one, explode(' ', $at)),
                    $own,
                )],
                'order' => (object) ['sequence' => array_values(array_diff($own, $part->settings->given))],
                'slider' => (object) ['value' => $own[0]],
                'text', 'number', 'essay' => (object) ['text' => $own[0]],
                default => (object) ['chosen' => $own],
            };
        }

        return $response;
    }

    /**
     * @param  list<string>  $regions
     * @return list<array{float, float}> a place in each
     */
    private static function inside(Part $part, array $regions): array
    {
        $shapes = array_column(array_map(fn ($region): array => [$region->id, $region->in(new Roll)], $part->settings->regions), 1, 0);

        return array_map(
            fn (string $id): array => [$shapes[$id]->middle()->x->toFloat(), $shapes[$id]->middle()->y->toFloat()],
            $regions,
        );
    }

    /** Places on hidden regions, as the regions they lie in: elsewhere these are picked. */
    private static function placed(Question $question, Part $part, ?\stdClass $given): ?\stdClass
    {
        if (! isset($given->at)) {
            return $given;
        }
        $settings = array_column($question->toJson()->parts, 'settings', 'id')[$part->id];
        $regions = array_map(fn (array $at): ?string => Places::first($settings->regions, $at[0], $at[1]), $given->at);

        return (object) ['spots' => array_values(array_filter($regions))];
    }

    /** @return list<string>|null what is given stands in its place there */
    private static function sequence(Part $part, \stdClass $given): ?array
    {
        if ($part->kindName !== 'order' || $given->sequence === []) {
            return $part->kindName === 'order' ? [] : null;
        }
        $sequence = $given->sequence;
        $ranks = $part->key->rules[0]->on;
        assert($ranks instanceof Ranks);
        foreach ($ranks->flat() as $place => $id) {
            in_array($id, $part->settings->given, true) && array_splice($sequence, $place, 0, [$id]);
        }

        return $sequence;
    }

    /** @return list<mixed>|null null when it is no kind of pairs */
    private static function pairs(string $kind, \stdClass $given, callable $write): ?array
    {
        return match ($kind) {
            'match' => array_map(fn (array $pair): mixed => $write(...$pair), $given->pairs),
            'tiles' => array_map(
                fn (string $tile, int|string $gap): mixed => $write((string) $gap, $tile),
                (array) $given->gaps,
                array_keys((array) $given->gaps),
            ),
            'label' => array_map(
                fn (string $label, int|string $target): mixed => $write((string) $target, $label),
                (array) $given->labels,
                array_keys((array) $given->labels),
            ),
            'group' => array_merge(
                ...array_map(
                    fn (array $items, int|string $group): array => array_map(
                        fn (string $item): mixed => $write($item, (string) $group),
                        $items,
                    ),
                    (array) $given->groups,
                    array_keys((array) $given->groups),
                ),
            ),
            default => null,
        };
    }

    /** @return list<string> */
    private static function simple(string $kind, \stdClass $given): array
    {
        return match ($kind) {
            'slider' => [(string) (float) $given->value],
            'number' => [
                (string) (float) Exact::number(
                    Exact::toPlaces((new NumberReader('en'))->read($given->text)->value ?? BigRational::of(-999), 9)->toBigRational(),
                ),
            ],
            'choice', 'menu', 'highlight', 'survey' => $given->chosen,
            'spot' => $given->spots,
            'point' => array_map(fn (array $at): string => "$at[0] $at[1]", $given->points),
            'amend' => [implode(' ', (array) $given->amends)],
            'upload' => array_column($given->files, 'name'),
            'graph' => array_map(fn (\stdClass $figure): string => (string) json_encode($figure), $given->figures),
            default => [trim($given->text)],
        };
    }
}
