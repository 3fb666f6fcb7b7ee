<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\FieldWidth;

/** What stands in the JSON of a part, by names that may be missing. */
final class PartJson
{
    /** @return list<\stdClass> */
    public static function list(mixed $holder, string $name): array
    {
        $list = $holder instanceof \stdClass ? $holder->{$name} ?? [] : [];

        return is_array($list) ? array_values(array_filter($list, fn (mixed $one): bool => $one instanceof \stdClass)) : [];
    }

    public static function text(mixed $holder, string $name, string $otherwise = ''): string
    {
        $text = $holder instanceof \stdClass ? $holder->{$name} ?? $otherwise : $otherwise;

        return is_string($text) ? $text : $otherwise;
    }

    public static function settings(\stdClass $part): \stdClass
    {
        return ($part->settings ?? null) instanceof \stdClass ? $part->settings : new \stdClass();
    }

    public static function points(\stdClass $part): BigRational
    {
        $points = $part->points ?? 0;

        return is_int($points) || is_float($points) ? Exact::read((string) $points) ?? Exact::zero() : Exact::zero();
    }

    /** @return list<\stdClass> the rules of a part */
    public static function rules(\stdClass $part): array
    {
        return self::list($part->key ?? null, 'rules');
    }

    /**
     * A part with what every kind has.
     *
     * @param  array<string, mixed>  $settings
     * @param  list<array<string, mixed>>  $rules
     * @param  array<string, mixed>  $scoring
     */
    public static function part(
        string $id,
        string $kind,
        \stdClass $old,
        int|float $points,
        array $settings,
        array $rules,
        array $scoring,
    ): \stdClass {
        $part = (object) [
            'id' => $id,
            'kind' => $kind,
            'label' => self::text($old, 'label'),
            'points' => $points,
            'settings' => (object) $settings,
            'key' => (object) [
                'rules' => array_map(
                    fn (array $rule): \stdClass => (object) array_filter($rule, fn (mixed $value): bool => $value !== null),
                    $rules,
                ),
                'default' => '0',
            ],
            'scoring' => (object) $scoring,
        ];
        if (isset($old->feedback)) {
            $part->feedback = $old->feedback;
        }

        return $part;
    }

    /**
     * A field in a cell of a table, as wide as what it asks for.
     *
     * @param  array<string, mixed>  $on  what its one rule asks for
     */
    public static function typedCell(string $id, string $kind, string $cell, int|float $points, string $label, array $on): \stdClass
    {
        $rules = $cell === '' ? [] : [['id' => 'r1', 'on' => (object) $on, 'credit' => '1']];

        return self::part($id, $kind, (object) ['label' => $label], $points, ['width' => FieldWidth::for($cell)], $rules, [
            'scheme' => 'weights',
        ]);
    }
}
