<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** Points, key and scoring of a response of things that are picked. */
final class PickReader
{
    /**
     * @param  array<string, mixed>  $settings
     * @return \stdClass|null null when it cannot be translated
     */
    public function part(string $kind, array $settings, ?Declaration $declaration, ?Marking $marking): ?\stdClass
    {
        if ($declaration === null || $marking === null) {
            return $this->made($kind, Exact::one(), $settings, [], ['scheme' => 'person']);
        }

        return $marking->by === 'map' && $declaration->map !== null
            ? ($marking->added === '0'
                ? $this->mapped($kind, $declaration, $settings, $marking->extra)
                : $this->judged($kind, $declaration, $marking, $settings))
            : ($marking->by === 'correct'
                ? $this->matched($kind, $declaration, $marking, $settings)
                : null);
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  array{int, string}|null  $extra
     */
    private function mapped(string $kind, Declaration $declaration, array $settings, ?array $extra): ?\stdClass
    {
        $map = $declaration->map ?? [];
        $reach = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $map);
        usort($reach, fn (BigRational $a, BigRational $b): int => $b->compareTo($a));
        $reach = array_slice($reach, 0, is_int($settings['max']) ? $settings['max'] : null);
        $sum = array_reduce(
            $reach,
            fn (BigRational $sum, BigRational $value): BigRational => $value->isPositive() ? $sum->plus($value) : $sum,
            Exact::zero(),
        );
        $points = $declaration->upper === null ? $sum : Exact::read($declaration->upper) ?? $sum;
        if (! $points->isPositive()) {
            return null;
        }
        if ($extra !== null) {
            return count($reach) < count($map) ? null : $this->each($kind, $declaration, $settings, $extra, $points);
        }
        $rules = [];
        foreach ($map as $i => $entry) {
            $rules[] = ['id' => 'r'.($i + 1), 'on' => $entry['key'], 'credit' => ScoreFloats::share($entry['value'], $points)];
        }
        $low = self::low($map, $declaration->lower, $points);
        $high = $declaration->upper === null ? Exact::text($sum->dividedBy($points)) : '1';

        return $this->made(
            $kind,
            $points,
            $settings,
            $rules,
            ['scheme' => 'weights', 'low' => $low, 'high' => $high],
            ScoreFloats::share($declaration->default, $points),
        );
    }

    /**
     * Right ones that all earn the same, and a cost for more than there are.
     *
     * @param  array<string, mixed>  $settings
     * @param  array{int, string}  $extra  how many are right, and what one more costs
     */
    private function each(string $kind, Declaration $declaration, array $settings, array $extra, BigRational $points): ?\stdClass
    {
        $right = array_values(
            array_filter($declaration->map ?? [], fn (array $entry): bool => (Exact::read($entry['value']) ?? Exact::zero())->isPositive()),
        );
        $shares = array_map(fn (array $entry): BigRational => Exact::of(ScoreFloats::share($entry['value'], $points)), $right);
        $alike = array_filter($shares, fn (BigRational $share): bool => ! $share->multipliedBy($extra[0])->isEqualTo(1)) === [];
        if (! $alike || count($right) !== $extra[0] || $declaration->default !== '0') {
            return null;
        }
        $rules = array_map(
            fn (array $entry, int $i): array => ['id' => 'r'.($i + 1), 'on' => $entry['key'], 'credit' => '1'],
            $right,
            array_keys($right),
        );
        $cost = Exact::of(ScoreFloats::share($extra[1], $points))->multipliedBy($extra[0]);

        return $this->made($kind, $points, $settings, $rules, ['scheme' => 'each', 'cost' => Exact::text($cost)]);
    }

    /**
     * The least that a mapping can give, as a share of the points: its bound, or all that takes points together.
     *
     * @param  list<array{key: string, value: string, sensitive: bool}>  $map
     */
    public static function low(array $map, ?string $bound, BigRational $points): string
    {
        if ($bound !== null) {
            return ScoreFloats::share($bound, $points);
        }
        $lowest = Exact::zero();
        foreach ($map as $entry) {
            $value = Exact::read($entry['value']) ?? Exact::zero();
            $lowest = $value->isNegative() ? $lowest->plus($value) : $lowest;
        }

        return Exact::text($lowest->dividedBy($points));
    }

    /**
     * Right ones +v, all others −v, and v for each of the others: every option is judged.
     *
     * @param  array<string, mixed>  $settings
     */
    private function judged(string $kind, Declaration $declaration, Marking $marking, array $settings): ?\stdClass
    {
        $values = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $declaration->map ?? []);
        $each = ($values[0] ?? Exact::zero())->abs();
        $wrong = count(array_filter($values, fn (BigRational $value): bool => $value->isNegative()));
        $same =
            array_filter($values, fn (BigRational $value): bool => $value->abs()->minus($each)->abs()->isGreaterThan('1/100000000')) ===
            [];
        if (
            ! $same ||
            $each->isZero() ||
            (Exact::read($marking->added) ?? Exact::zero())->minus($each->multipliedBy($wrong))->abs()->isGreaterThan('1/10000000')
        ) {
            return null;
        }
        $rules = [];
        foreach ($declaration->map ?? [] as $i => $entry) {
            if ($values[$i]->isPositive()) {
                $rules[] = ['id' => 'r'.($i + 1), 'on' => $entry['key'], 'credit' => '1'];
            }
        }

        return $this->made($kind, Exact::of((string) ScoreFloats::points($each->multipliedBy(count($values)))), $settings, $rules, [
            'scheme' => 'judge',
        ]);
    }

    /** @param  array<string, mixed>  $settings */
    private function matched(string $kind, Declaration $declaration, Marking $marking, array $settings): ?\stdClass
    {
        $points = Exact::read($marking->points) ?? Exact::one();
        if ($declaration->correct === [] || ! $points->isPositive()) {
            return null;
        }
        $rules = [];
        foreach ($declaration->correct as $i => $id) {
            $rules[] = ['id' => 'r'.($i + 1), 'on' => $id, 'credit' => '1'];
        }

        return $this->made($kind, $points, $settings, $rules, ['scheme' => $declaration->cardinality === 'single' ? 'weights' : 'all']);
    }

    /**
     * @param  array<string, mixed>  $settings
     * @param  list<array<string, mixed>>  $rules
     * @param  array<string, string>  $scoring
     */
    private function made(
        string $kind,
        BigRational $points,
        array $settings,
        array $rules,
        array $scoring,
        string $default = '0',
    ): \stdClass {
        return (object) [
            'kind' => $kind,
            'points' => ScoreFloats::points($points),
            'settings' => (object) $settings,
            'key' => (object) ['rules' => $rules, 'default' => $default],
            'scoring' => (object) $scoring,
        ];
    }
}
