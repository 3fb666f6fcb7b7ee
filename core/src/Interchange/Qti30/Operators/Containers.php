<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30\Operators;

/** Operators over texts and lists (QTI 3.0 ASI, 2.12). */
final class Containers
{
    /**
     * @param  bool  $ordered  whether one of its values is
     * @return (\Closure(non-empty-list<list<mixed>>): (list<mixed>|null))|null null where it is no operator of these
     */
    public static function of(string $name, \DOMElement $e, bool $ordered): ?\Closure
    {
        $n = (int) $e->getAttribute('n') - 1;

        return match ($name) {
            'qti-not' => Values::over(fn (array $values): array => [$values[0] === [false]]),
            'qti-index' => Values::over(fn (array $values): ?array => isset($values[0][$n]) ? [$values[0][$n]] : null),
            'qti-member' => Values::over(fn (array $values): array => [Values::holds($values[1] ?? [], $values[0][0] ?? null)]),
            'qti-contains' => Values::over(fn (array $values): array => [self::contains($values[0], $values[1] ?? [])]),
            'qti-match' => Values::over(fn (array $values): array => [self::matches($values[0], $values[1] ?? [], $ordered)]),
            'qti-string-match' => Values::over(fn (array $values): array => [self::text($e, $values[0], $values[1] ?? [])]),
            'qti-substring' => Values::over(
                fn (array $values): array => [str_contains(self::folded($e, $values[1][0] ?? ''), self::folded($e, $values[0][0] ?? ''))],
            ),
            default => null,
        };
    }

    /**
     * @param  list<mixed>  $all
     * @param  list<mixed>  $some
     */
    private static function contains(array $all, array $some): bool
    {
        return array_filter($some, fn (mixed $one): bool => ! Values::holds($all, $one)) === [];
    }

    /**
     * @param  list<mixed>  $one
     * @param  list<mixed>  $two
     */
    private static function matches(array $one, array $two, bool $ordered): bool
    {
        $keys = [array_map(Values::key(...), $one), array_map(Values::key(...), $two)];
        if (! $ordered) {
            sort($keys[0]);
            sort($keys[1]);
        }

        return $keys[0] === $keys[1];
    }

    /**
     * @param  list<mixed>  $one
     * @param  list<mixed>  $two
     */
    private static function text(\DOMElement $e, array $one, array $two): bool
    {
        [$a, $b] = [self::folded($e, $one[0] ?? ''), self::folded($e, $two[0] ?? '')];

        return $e->getAttribute('substring') === 'true' ? str_contains($a, $b) : $a === $b;
    }

    private static function folded(\DOMElement $e, mixed $text): string
    {
        $text = is_string($text) ? $text : '';

        return $e->getAttribute('case-sensitive') === 'false' ? mb_convert_case($text, MB_CASE_FOLD, 'UTF-8') : $text;
    }
}
