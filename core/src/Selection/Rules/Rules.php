<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Selection\Problem;
use WideQuarry\Selection\Range;

/** Reads rules from JSON. */
final class Rules
{
    private const FIELDS = [
        'at_most' => ['attribute', 'n'],
        'all_or_none' => ['attribute'],
        'never_together' => ['questions'],
        'must_include' => ['questions'],
        'exclude' => ['questions'],
        'spread' => ['attribute', 'n', 'values'],
        'mean' => ['attribute', 'min', 'max'],
    ];

    /**
     * @param  array<string|int, mixed>  $pool  by id
     *
     * @throws Malformed
     */
    public static function read(mixed $json, string $path, array $pool): Rule
    {
        $name = $json instanceof \stdClass ? $json->rule ?? null : null;
        $fields = Fields::of($json, $path, ['id', 'rule', ...is_string($name) ? self::FIELDS[$name] ?? [] : []]);
        $rule = $fields->need('rule')->oneOf('rule', Rule::NAMES, '');
        foreach (array_diff(self::FIELDS[$rule], ['values', 'min', 'max']) as $field) {
            $fields->need($field);
        }

        return match ($rule) {
            'at_most' => new AtMost($fields->id(), self::attribute($fields), $fields->int('n', 0, 0, Problem::POOL)),
            'all_or_none' => new AllOrNone($fields->id(), self::attribute($fields)),
            'never_together' => new NeverTogether($fields->id(), self::questions($fields, $pool)),
            'must_include' => new MustInclude($fields->id(), self::questions($fields, $pool)),
            'exclude' => new Exclude($fields->id(), self::questions($fields, $pool)),
            'spread' => new Spread(
                $fields->id(),
                self::attribute($fields),
                $fields->int('n', 0, 0, Problem::POOL),
                $fields->has('values') ? $fields->strings('values', 100) : null,
            ),
            default => new Mean($fields->id(), self::attribute($fields), self::range($fields)),
        };
    }

    /** @throws Malformed */
    private static function attribute(Fields $fields): string
    {
        $name = $fields->string('attribute');

        return $name === '' ? throw Malformed::outOfRange($fields->at('attribute'), Message::of('selection.attribute'), $name) : $name;
    }

    /**
     * @param  array<string|int, mixed>  $pool
     * @return list<string>
     *
     * @throws Malformed
     */
    private static function questions(Fields $fields, array $pool): array
    {
        $questions = [];
        foreach ($fields->ids('questions', Problem::POOL) as $i => $id) {
            $questions[$id] = isset($pool[$id])
                ? true
                : throw Malformed::outOfRange($fields->at("questions/$i"), Message::of('selection.in-pool'), $id);
        }

        return array_map(strval(...), array_keys($questions));
    }

    /** @throws Malformed */
    private static function range(Fields $fields): Range
    {
        $end = function (string $field) use ($fields): ?BigRational {
            $given = $fields->raw($field);

            return match (true) {
                $given === null => null,
                is_string($given) => Exact::read($fields->exact($field, '')) ??
                    throw Malformed::outOfRange($fields->at($field), Message::of('selection.number'), $given),
                default => Exact::of($fields->decimal($field, Range::MOST)),
            };
        };
        $range = new Range($end('min'), $end('max'));

        return $range->isUpsideDown()
            ? throw Malformed::outOfRange($fields->at('min'), Message::of('selection.range-order'), $fields->raw('min'))
            : $range;
    }
}
