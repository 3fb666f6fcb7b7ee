<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** Points, key and scoring of a response of directed pairs. */
final class PairReader
{
    /** @param  bool  $turned  whether the standard names the second thing first */
    public function __construct(private readonly bool $turned = false)
    {
    }

    /**
     * @param  array<string, mixed>  $settings
     * @return \stdClass|null null when it cannot be translated
     */
    public function part(string $kind, array $settings, ?Declaration $declaration, ?Marking $marking): ?\stdClass
    {
        $made = fn (BigRational $points, array $rules, array $scoring, string $default = '0'): \stdClass => (object) [
            'kind' => $kind,
            'points' => ScoreFloats::points($points),
            'settings' => (object) $settings,
            'key' => (object) ['rules' => $rules, 'default' => $default],
            'scoring' => (object) $scoring,
        ];
        if ($declaration === null || $marking === null) {
            return $made(Exact::one(), [], ['scheme' => 'person']);
        }
        if ($marking->by === 'correct') {
            $points = Exact::read($marking->points) ?? Exact::one();

            return $declaration->correct === [] || ! $points->isPositive()
                ? null
                : $made($points, $this->rules(array_map(fn (string $pair): array => [$pair, '1'], $declaration->correct)), [
                    'scheme' => 'all',
                ]);
        }
        if ($marking->by !== 'map' || $declaration->map === null || $declaration->map === []) {
            return null;
        }

        return $marking->added !== '0' ? $this->judged($declaration, $marking, $made) : $this->mapped($declaration, $marking, $made);
    }

    /** @return array{string, string} */
    public function on(string $value): array
    {
        [$first, $second] = [...preg_split('/\s+/', trim($value)) ?: [], '', ''];

        return $this->turned ? [$second, $first] : [$first, $second];
    }

    /** @param  \Closure(BigRational, list<\stdClass>, array<string, string>, string=): \stdClass  $made */
    private function mapped(Declaration $declaration, Marking $marking, \Closure $made): ?\stdClass
    {
        $map = $declaration->map ?? [];
        $values = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $map);
        $good = array_values(array_filter($values, fn (BigRational $value): bool => $value->isPositive()));
        $best = $this->bestOfEach($map, $values);
        $sum = self::positive($best);
        $points = $declaration->upper === null ? $sum : Exact::read($declaration->upper) ?? $sum;
        if (! $points->isPositive()) {
            return null;
        }
        $alike =
            count($good) === count($values) &&
            count($best) === count($good) &&
            array_filter($good, fn (BigRational $value): bool => ! self::near($value, $good[0])) === [];
        $default = Exact::read($declaration->default) ?? Exact::zero();
        $isEach = $alike && $default->isZero() && ($marking->extra[0] ?? count($good)) === count($good);
        if ($isEach && self::near($good[0]->multipliedBy(count($good)), $points)) {
            $rules = $this->rules(array_map(fn (array $entry): array => [$entry['key'], '1'], $map));

            return $made($points, $rules, ['scheme' => 'each', 'cost' => self::cost($marking, $points, count($good))]);
        }
        if ($marking->extra !== null) {
            return null;
        }
        $low = PickReader::low($map, $declaration->lower, $points);

        return $made(
            $points,
            $this->rules(array_map(fn (array $entry): array => [$entry['key'], ScoreFloats::share($entry['value'], $points)], $map)),
            ['scheme' => 'weights', 'low' => $low, 'high' => '1'],
            ScoreFloats::share($declaration->default, $points),
        );
    }

    /** What one pair too many costs, as a share of what a right one earns. */
    private static function cost(Marking $marking, BigRational $points, int $right): string
    {
        return $marking->extra === null
            ? '0'
            : Exact::text(Exact::of(ScoreFloats::share($marking->extra[1], $points))->multipliedBy($right));
    }

    /** @param  array<BigRational>  $values */
    private static function positive(array $values): BigRational
    {
        return array_reduce(
            $values,
            fn (BigRational $sum, BigRational $value): BigRational => $value->isPositive() ? $sum->plus($value) : $sum,
            Exact::zero(),
        );
    }

    /**
     * Of one gap or item only the best can be had.
     *
     * @param  list<array{key: string, value: string, sensitive: bool}>  $map
     * @param  array<BigRational>  $values
     * @return array<string, BigRational>
     */
    private function bestOfEach(array $map, array $values): array
    {
        $best = [];
        foreach ($map as $i => $entry) {
            $first = '='.$this->on($entry['key'])[0];
            $best[$first] = isset($best[$first]) && $best[$first]->isGreaterThan($values[$i]) ? $best[$first] : $values[$i];
        }

        return $best;
    }

    /**
     * Right ones +v, all that is wrong −v, and v for each that could be wrong: every thing is judged.
     *
     * @param  \Closure(BigRational, list<\stdClass>, array<string, string>, string=): \stdClass  $made
     */
    private function judged(Declaration $declaration, Marking $marking, \Closure $made): ?\stdClass
    {
        $map = $declaration->map ?? [];
        $values = array_map(fn (array $entry): BigRational => Exact::read($entry['value']) ?? Exact::zero(), $map);
        $each = $values[0]->abs();
        $right = array_filter($map, fn (int $i): bool => $values[$i]->isPositive(), ARRAY_FILTER_USE_KEY);
        $alike = array_filter($values, fn (BigRational $value): bool => ! self::near($value->abs(), $each)) === [];
        $added = Exact::read($marking->added) ?? Exact::zero();
        $default = Exact::read($declaration->default) ?? Exact::zero();
        if (! $alike || $each->isZero() || $right === [] || ! ($default->isZero() || self::near($default, $each->negated()))) {
            return null;
        }

        return $made(
            Exact::of((string) ScoreFloats::points($each->multipliedBy(count($right))->plus($added))),
            $this->rules(array_map(fn (array $entry): array => [$entry['key'], '1'], array_values($right))),
            ['scheme' => 'judge'],
        );
    }

    /**
     * @param  list<array{string, string}>  $pairs  pair and credit
     * @return list<\stdClass>
     */
    private function rules(array $pairs): array
    {
        return array_map(
            fn (int $i, array $pair): \stdClass => (object) ['id' => 'r'.($i + 1), 'on' => $this->on($pair[0]), 'credit' => $pair[1]],
            array_keys($pairs),
            $pairs,
        );
    }

    private static function near(BigRational $a, BigRational $b): bool
    {
        return $a->minus($b)->abs()->isLessThan('1/10000000');
    }
}
