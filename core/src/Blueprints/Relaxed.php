<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use Brick\Math\BigRational;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Range;

/**
 * Blueprints that ask for less, so that the rest can be met: each with the words on its button.
 *
 * @phpstan-type Written object{tables: list<object{only: bool, cells: list<\stdClass>}&\stdClass>, rules: list<\stdClass>,
 *     total: \stdClass|null, statuses: list<string>}&\stdClass
 */
final class Relaxed
{
    /**
     * @param  array<string, mixed>  $relaxation  as an outcome gives it: the id of a demand or rule, and the fields that change
     * @return array{label: string, blueprint: \stdClass}|null null where only whoever asked can change it, such as questions that are kept
     */
    public static function of(Blueprint $blueprint, array $relaxation): ?array
    {
        $id = is_string($relaxation['id'] ?? null) ? $relaxation['id'] : '';
        $fields = array_diff_key($relaxation, ['id' => true]);
        $json = self::copy($blueprint);
        if ($id === Places::TOTAL) {
            $json->total = (object) self::merged((array) ($json->total ?? []), $fields);

            return ['label' => self::label($fields, (array) $json->total), 'blueprint' => $json];
        }
        foreach ($blueprint->tables as $t => $table) {
            if ($id === Places::outside($table)) {
                $json->tables[$t]->only = false;

                return ['label' => Message::of('blueprints.relax-outside'), 'blueprint' => $json];
            }
            foreach ($table->cells as $c => $cell) {
                if (Places::id($table, $cell->row, $cell->column) === $id) {
                    $changed = self::cell($json->tables[$t]->cells[$c], $fields);

                    return ['label' => self::label($fields, (array) $changed), 'blueprint' => $json];
                }
            }
        }

        return self::rule($blueprint, $json, $id, $fields);
    }

    /**
     * A cell that asks for all there are of any status.
     *
     * @return array{label: string, blueprint: \stdClass}|null null where that is no more
     */
    public static function withDrafts(Blueprint $blueprint, string $place, Availability $availability): ?array
    {
        foreach ($blueprint->tables as $t => $table) {
            foreach ($table->cells as $c => $cell) {
                $min = ($cell->ranges['count'] ?? null)?->min;
                if ($min === null || Places::id($table, $cell->row, $cell->column) !== $place) {
                    continue;
                }
                ['have' => $have, 'usable' => $usable] = $availability->at($place);
                if ($have <= $usable) {
                    return null;
                }
                $most = min($have, $min->toInt());
                $json = self::copy($blueprint);
                $json->statuses = ['approved', 'in_review', 'draft'];
                self::cell($json->tables[$t]->cells[$c], ['count' => ['min' => $most]]);

                return ['label' => Message::of('blueprints.relax-drafts', ['n' => $most, 'more' => $most - $usable]), 'blueprint' => $json];
            }
        }

        return null;
    }

    /**
     * @param  Written  $json
     * @param  array<string, mixed>  $fields
     * @return array{label: string, blueprint: \stdClass}|null
     */
    private static function rule(Blueprint $blueprint, \stdClass $json, string $id, array $fields): ?array
    {
        foreach ($blueprint->rules as $i => $rule) {
            if ($rule->id !== $id) {
                continue;
            }
            $isDropped = isset($fields['drop'])
                || in_array($rule->rule, ['unused_since', 'not_in'], true)
                || ($fields['questions'] ?? null) === [];
            if ($isDropped) {
                array_splice($json->rules, $i, 1);

                return ['label' => Message::of('blueprints.relax-drop'), 'blueprint' => $json];
            }
            foreach ($fields as $name => $value) {
                $json->rules[$i]->{$name} = is_array($value) && ! array_is_list($value)
                    ? (object) self::merged((array) ($json->rules[$i]->{$name} ?? []), $value)
                    : (is_string($value) ? self::decimal($value, $name === 'min') : $value);
            }

            return ['label' => self::label($fields, (array) $json->rules[$i]), 'blueprint' => $json];
        }

        return null;
    }

    /** @param  array<mixed>  $fields */
    private static function cell(\stdClass $cell, array $fields): \stdClass
    {
        unset($cell->all);
        foreach (self::merged((array) $cell, $fields) as $name => $value) {
            $cell->{$name} = $value;
        }
        $least = is_array($fields['count'] ?? null) ? $fields['count']['min'] ?? null : null;
        if ($least !== null) {
            $cell->count = (object) ['min' => $least, 'max' => $least]; // there are no more, so a range says nothing
        }

        return $cell;
    }

    /**
     * @param  array<mixed>  $there
     * @param  array<mixed>  $fields
     * @return array<string, mixed>
     */
    private static function merged(array $there, array $fields): array
    {
        $merged = [];
        foreach ([...$there, ...$fields] as $name => $value) {
            $merged[(string) $name] = is_array($fields[$name] ?? null)
                ? (object) [...(array) ($there[$name] ?? []), ...$fields[$name]]
                : $value;
        }

        return $merged;
    }

    /** A mean is written with at most four decimals, rounded so that it still takes in what was found. */
    private static function decimal(string $number, bool $isDown): float
    {
        $value = Exact::of($number)->toFloat() * 10000;

        return ($isDown ? floor($value) : ceil($value)) / 10000;
    }

    /**
     * @param  array<string, mixed>  $fields
     * @param  array<mixed>  $now
     */
    private static function label(array $fields, array $now): string
    {
        $said = [];
        foreach (array_keys($fields) as $name) {
            $value = $now[$name] ?? null;
            $said[] = match (true) {
                $name === 'n' => Message::of('blueprints.relax-n', ['n' => is_int($value) ? $value : 0]),
                $name === 'questions' => Message::of('blueprints.relax-questions', ['n' => is_array($value) ? count($value) : 0]),
                $name === 'min' => Message::of('blueprints.relax-min', ['n' => is_numeric($value) ? $value : 0]),
                $name === 'max' => Message::of('blueprints.relax-max', ['n' => is_numeric($value) ? $value : 0]),
                default => self::range($name, (array) $value),
            };
        }

        return Message::of('blueprints.relax', ['what' => implode(', ', $said)]);
    }

    /** @param  array<mixed>  $range */
    private static function range(string $measure, array $range): string
    {
        $end = fn (string $name): ?BigRational => is_int($range[$name] ?? null) || is_float($range[$name] ?? null)
            ? Exact::of((string) json_encode($range[$name]))
            : null;
        $said = (new Range($end('min'), $end('max')))->said();

        return $measure === 'count' ? $said : Message::of('blueprints.relax-measure', ['range' => $said, 'what' => $measure]);
    }

    /** @return Written */
    private static function copy(Blueprint $blueprint): \stdClass
    {
        /** @var Written */
        return Json::decode(Json::encode($blueprint->toJson()));
    }
}
