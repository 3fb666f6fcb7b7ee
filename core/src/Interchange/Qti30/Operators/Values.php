<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30\Operators;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\ScoreFloats;
use WideQuarry\Numbers\Exact;

/** Values of expressions: lists of texts, exact numbers and truths. */
final class Values
{
    /** A value by its base type; a long decimal near a simple fraction is taken for it. */
    public static function typed(string $value, string $type): mixed
    {
        $value = trim($value);

        return match ($type) {
            'float', 'integer' => self::read($value),
            'boolean' => $value === 'true',
            'directedPair', 'pair' => (string) preg_replace('/\s+/', ' ', $value),
            default => $value,
        };
    }

    public static function read(string $value): ?BigRational
    {
        $exact =
            Exact::read($value) ?? (is_numeric($value) ? Exact::read(rtrim(rtrim(sprintf('%.12F', (float) $value), '0'), '.')) : null);

        return $exact !== null && strlen(explode('.', $value)[1] ?? '') >= 4 ? ScoreFloats::near($exact) : $exact;
    }

    /**
     * The single number of a value; 0 where it is none.
     *
     * @param  list<mixed>  $value
     */
    public static function number(array $value): BigRational
    {
        return ($value[0] ?? null) instanceof BigRational ? $value[0] : BigRational::zero();
    }

    /**
     * @param  array<list<mixed>>  $values
     * @return list<BigRational>
     */
    public static function numbers(array $values): array
    {
        return array_values(array_filter(array_merge(...$values), fn (mixed $one): bool => $one instanceof BigRational));
    }

    /** @param  list<mixed>  $container */
    public static function holds(array $container, mixed $value): bool
    {
        return in_array(self::key($value), array_map(self::key(...), $container), true);
    }

    /**
     * A function over values of which none is null; as it is, with its type.
     *
     * @param  \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    public static function over(\Closure $of): \Closure
    {
        return $of;
    }

    /** By which two values are the same. */
    public static function key(mixed $value): string
    {
        return match (true) {
            $value instanceof BigRational => "n$value",
            is_bool($value) => $value ? 'true' : 'false',
            is_string($value) => "t$value",
            default => '',
        };
    }
}
