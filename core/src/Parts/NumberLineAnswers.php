<?php

declare(strict_types=1);

namespace WideQuarry\Parts;

use Brick\Math\BigRational;
use WideQuarry\Converting\Draft;
use WideQuarry\Converting\PartJson;
use WideQuarry\Converting\PartPlaces;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** One number, asked for in three ways: typed, set on a scale, or marked on a number line. */
final class NumberLineAnswers
{
    /** Steps on each side of the numbers of a key that had no scale. */
    private const ROOM = 5;

    /** A point of a number line as a number. */
    public static function toNumber(Draft $draft, \stdClass $part): void
    {
        self::settle($draft, $part, 'number', ['width' => 10], self::numbers($draft, $part), true);
    }

    public static function toSlider(Draft $draft, \stdClass $part): void
    {
        $axis = PartJson::settings($part)->x ?? null;
        $settings = PartJson::settings($part);
        self::settle($draft, $part, 'slider', [
            'from' => $axis->from ?? '0', // @phpstan-ignore property.nonObject
            'to' => $axis->to ?? '10', // @phpstan-ignore property.nonObject
            'step' => $settings->snap ?? $axis->step ?? '1', // @phpstan-ignore property.nonObject
        ], self::numbers($draft, $part), false);
    }

    /** A number, typed or set on a scale, as a point of a number line. */
    public static function toGraph(Draft $draft, \stdClass $part): void
    {
        $settings = PartJson::settings($part);
        $values = $rules = [];
        foreach (PartJson::rules($part) as $rule) {
            $on = $rule->on ?? null;
            $value = $on instanceof \stdClass && PartJson::text($on, 'answer') === 'value' ? $on->value ?? null : null;
            if ($value === null) {
                $draft->lose(Message::of('parts.only-single-numbers'));

                continue;
            }
            if (isset($on->tolerance)) {
                $draft->lose(Message::of('parts.nearness-becomes-steps'));
            }
            $values[] = is_string($value) ? Exact::read($value) : null;
            $rules[] = (object) [
                ...(array) $rule,
                'on' => (object) ['figure' => (object) ['figure' => 'point', 'points' => [[$value]]], 'tolerance' => '0'],
            ];
        }
        self::settle($draft, $part, 'graph', [
            'surface' => 'line',
            'x' => isset($settings->from, $settings->to)
                ? (object) ['from' => $settings->from, 'to' => $settings->to, 'step' => $settings->step ?? '1']
                : self::around(array_values(array_filter($values))),
            'snap' => $settings->step ?? null,
            'tools' => ['point'],
            'max' => 1,
        ], $rules, false);
    }

    /** @param  list<BigRational>  $values */
    private static function around(array $values): \stdClass
    {
        $compare = fn (BigRational $a, BigRational $b): int => Exact::compare($a, $b);
        usort($values, $compare);
        [$low, $high] = $values === [] ? [Exact::zero(), Exact::zero()] : [$values[0], $values[count($values) - 1]];
        $whole = fn (BigRational $value, int $room): string => (string) $value->toScale(0, \Brick\Math\RoundingMode::HALF_UP)->plus($room);

        return (object) ['from' => $whole($low, -self::ROOM), 'to' => $whole($high, self::ROOM), 'step' => '1'];
    }

    /**
     * Rules on points of a number line as rules on numbers.
     *
     * @return list<\stdClass>
     */
    private static function numbers(Draft $draft, \stdClass $part): array
    {
        $rules = [];
        $step = Exact::read(PartJson::text(PartJson::settings($part)->x ?? null, 'step', '1')) ?? Exact::one();
        foreach (PartJson::rules($part) as $rule) {
            $figure = $rule->on->figure ?? null; // @phpstan-ignore property.nonObject
            $value = $figure instanceof \stdClass && is_array($figure->points ?? null) ? $figure->points[0] ?? null : null;
            if (PartJson::text($figure, 'figure') !== 'point' || ! is_array($value) || count($value) !== 1) {
                $draft->lose(Message::of('parts.only-points-of-a-line'));

                continue;
            }
            $width = (Exact::read(PartJson::text($rule->on, 'tolerance', '0')) ?? Exact::zero())->multipliedBy($step);
            $rules[] = (object) [...(array) $rule, 'on' => (object) [
                'answer' => 'value',
                'value' => $value[0],
                ...$width->isZero() ? [] : ['tolerance' => (object) ['kind' => 'absolute', 'width' => Exact::text($width)]],
            ]];
        }

        return $rules;
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  list<\stdClass>  $rules
     */
    private static function settle(Draft $draft, \stdClass $part, string $kind, array $settings, array $rules, bool $inline): void
    {
        $id = PartJson::text($part, 'id');
        $new = clone $part;
        $new->kind = $kind;
        $new->settings = (object) $settings;
        $new->key = (object) ['rules' => $rules, 'default' => '0'];
        $new->scoring = (object) ['scheme' => 'weights'];
        PartPlaces::settle($draft, PartPlaces::find($draft, $id), $part, $new, $inline);
    }
}
