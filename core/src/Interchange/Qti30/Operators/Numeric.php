<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30\Operators;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/** Operators over numbers (QTI 3.0 ASI, 2.12): comparison with tolerance, order, arithmetic, rounding. */
final class Numeric
{
    /** @return (\Closure(non-empty-list<list<mixed>>): (list<mixed>|null))|null null where it is no operator of these */
    public static function of(string $name, \DOMElement $e): ?\Closure
    {
        return self::comparison($name, $e) ?? self::arithmetic($name);
    }

    /** @return (\Closure(non-empty-list<list<mixed>>): (list<mixed>|null))|null */
    private static function comparison(string $name, \DOMElement $e): ?\Closure
    {
        return match ($name) {
            'qti-equal' => self::two(fn (BigRational $a, BigRational $b): bool => self::equal($e, $a, $b)),
            'qti-equal-rounded' => self::two(
                fn (BigRational $a, BigRational $b): bool => self::rounded($e, $a)->isEqualTo(self::rounded($e, $b)),
            ),
            'qti-gte' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isGreaterThanOrEqualTo($b)),
            'qti-gt' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isGreaterThan($b)),
            'qti-lte' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isLessThanOrEqualTo($b)),
            'qti-lt' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isLessThan($b)),
            default => null,
        };
    }

    /** @return (\Closure(non-empty-list<list<mixed>>): (list<mixed>|null))|null */
    private static function arithmetic(string $name): ?\Closure
    {
        return match ($name) {
            'qti-sum' => self::all(fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one), BigRational::zero()),
            'qti-product' => self::all(
                fn (BigRational $product, BigRational $one): BigRational => $product->multipliedBy($one),
                BigRational::one(),
            ),
            'qti-subtract' => self::two(fn (BigRational $a, BigRational $b): BigRational => $a->minus($b)),
            'qti-divide' => self::divided(...),
            'qti-max' => self::all(fn (BigRational $best, BigRational $one): BigRational => $one->isGreaterThan($best) ? $one : $best),
            'qti-min' => self::all(fn (BigRational $best, BigRational $one): BigRational => $one->isLessThan($best) ? $one : $best),
            'qti-truncate' => self::one(fn (BigRational $a): BigRational => $a->toScale(0, RoundingMode::DOWN)->toBigRational()),
            'qti-round' => self::one(
                fn (BigRational $a): BigRational => $a->plus('1/2')->toScale(0, RoundingMode::FLOOR)->toBigRational(),
            ),
            default => null,
        };
    }

    /** @return array{BigRational, BigRational} how far below and above, as the tolerance of a qti-equal says */
    public static function widths(\DOMElement $e, BigRational $of): array
    {
        $said = preg_split('/\s+/', trim($e->getAttribute('tolerance'))) ?: [];
        $low = Values::read($said[0] ?? '0') ?? BigRational::zero();
        $high = isset($said[1]) ? Values::read($said[1]) ?? $low : $low;

        return $e->getAttribute('tolerance-mode') === 'relative'
            ? [$of->abs()->multipliedBy($low)->dividedBy(100), $of->abs()->multipliedBy($high)->dividedBy(100)]
            : [$low, $high];
    }

    /**
     * @param  \Closure(BigRational): mixed  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function one(\Closure $of): \Closure
    {
        return Values::over(fn (array $values): array => [$of(Values::number($values[0]))]);
    }

    /**
     * @param  \Closure(BigRational, BigRational): mixed  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function two(\Closure $of): \Closure
    {
        return Values::over(fn (array $values): array => [$of(Values::number($values[0]), Values::number($values[1] ?? []))]);
    }

    /**
     * @param  \Closure(BigRational, BigRational): BigRational  $of
     * @param  ?BigRational  $start  what it is of no numbers; null where it is nothing
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function all(\Closure $of, ?BigRational $start = null): \Closure
    {
        return Values::over(function (array $values) use ($of, $start): ?array {
            $numbers = Values::numbers($values);
            $first = $start ?? array_shift($numbers);

            return $first === null ? null : [array_reduce($numbers, $of, $first)];
        });
    }

    /**
     * @param  non-empty-list<list<mixed>>  $values
     * @return list<mixed>|null
     */
    private static function divided(array $values): ?array
    {
        $by = Values::number($values[1] ?? []);

        return $by->isZero() ? null : [Values::number($values[0])->dividedBy($by)];
    }

    /** The first value gives the interval, the second is judged by it. */
    private static function equal(\DOMElement $e, BigRational $one, BigRational $two): bool
    {
        if (! in_array($e->getAttribute('tolerance-mode'), ['absolute', 'relative'], true)) {
            return $one->isEqualTo($two);
        }
        [$low, $high] = self::widths($e, $one);
        [$from, $to] = [$one->minus($low), $one->plus($high)];

        return ($e->getAttribute('include-lower-bound') === 'false' ? $two->isGreaterThan($from) : $two->isGreaterThanOrEqualTo($from)) &&
            ($e->getAttribute('include-upper-bound') === 'false' ? $two->isLessThan($to) : $two->isLessThanOrEqualTo($to));
    }

    private static function rounded(\DOMElement $e, BigRational $value): BigRational
    {
        $figures = min(30, max(0, (int) $e->getAttribute('figures')));

        return ($e->getAttribute('rounding-mode') === 'significantFigures'
            ? Exact::toFigures($value, max(1, $figures))
            : Exact::toPlaces($value, $figures)
        )->toBigRational();
    }
}
