<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/**
 * The value of an expression (QTI 3.0 ASI, 2.12): null, or a list of texts, exact numbers and truths; an expression with null in it is
 * null, unless it says otherwise. Those that depend on chance, on the test or on what somebody else defined are not known.
 */
final readonly class Expressions
{
    private const KNOWN = [
        'qti-variable',
        'qti-base-value',
        'qti-correct',
        'qti-null',
        'qti-map-response',
        'qti-multiple',
        'qti-ordered',
        'qti-container-size',
        'qti-index',
        'qti-member',
        'qti-contains',
        'qti-is-null',
        'qti-not',
        'qti-and',
        'qti-or',
        'qti-any-n',
        'qti-match',
        'qti-string-match',
        'qti-substring',
        'qti-equal',
        'qti-equal-rounded',
        'qti-gte',
        'qti-gt',
        'qti-lte',
        'qti-lt',
        'qti-sum',
        'qti-product',
        'qti-subtract',
        'qti-divide',
        'qti-max',
        'qti-min',
        'qti-truncate',
        'qti-round',
        'qti-integer-to-float',
    ];

    /**
     * @param  array<string, Declaration>  $responses
     * @param  \Closure(string): (list<mixed>|null)  $variable
     */
    public function __construct(private array $responses, private \Closure $variable)
    {
    }

    public static function knows(\DOMElement $element): bool
    {
        return in_array($element->localName, self::KNOWN, true);
    }

    /** A value by its base type; a long decimal near a simple fraction is taken for it. */
    public static function typed(string $value, string $type): mixed
    {
        $value = trim($value);

        return match ($type) {
            'float', 'integer' => self::number($value),
            'boolean' => $value === 'true',
            'directedPair', 'pair' => (string) preg_replace('/\s+/', ' ', $value),
            default => $value,
        };
    }

    /**
     * Made ready once, since an item that is tried out is marked some hundred times.
     *
     * @return \Closure(): (list<mixed>|null)
     */
    public function compiled(\DOMElement $e): \Closure
    {
        $name = (string) $e->localName;
        $id = $e->getAttribute('identifier');
        $args = array_map($this->compiled(...), Xml::children($e));
        $first = $args[0] ?? fn (): ?array => null;
        if ($name === 'qti-variable') {
            $variable = $this->variable;

            return fn (): ?array => $variable($id);
        }

        return match ($name) {
            'qti-base-value' => self::constant([self::typed($e->textContent, $e->getAttribute('base-type'))]),
            'qti-correct' => self::constant($this->correct($id)),
            'qti-null' => self::constant(null),
            'qti-map-response' => $this->mapped($id),
            'qti-is-null' => fn (): array => [$first() === null],
            'qti-multiple', 'qti-ordered' => fn (): ?array => array_merge(...array_map(fn (\Closure $arg): array => $arg() ?? [], $args)) ?:
            null,
            'qti-container-size' => fn (): array => [BigRational::of(count($first() ?? []))],
            'qti-and' => self::joined($args, false),
            'qti-or' => self::joined($args, true),
            'qti-any-n' => fn (): ?array => $this->anyOf($e, array_map(fn (\Closure $arg): ?array => $arg(), $args)),
            default => $this->operator($name, $e, $args),
        };
    }

    /**
     * @param  list<mixed>|null  $value
     * @return \Closure(): (list<mixed>|null)
     */
    private static function constant(?array $value): \Closure
    {
        return fn (): ?array => $value;
    }

    /**
     * True where all are, or where one is: the first that decides it ends it.
     *
     * @param  list<\Closure(): (list<mixed>|null)>  $args
     * @return \Closure(): (list<mixed>|null)
     */
    private static function joined(array $args, bool $decides): \Closure
    {
        return function () use ($args, $decides): ?array {
            $open = false;
            foreach ($args as $arg) {
                $value = $arg();
                if ($value === [$decides]) {
                    return [$decides];
                }
                $open = $open || $value === null;
            }

            return $open ? null : [! $decides];
        };
    }

    /**
     * @param  list<\Closure(): (list<mixed>|null)>  $args
     * @return \Closure(): (list<mixed>|null)
     */
    private function operator(string $name, \DOMElement $e, array $args): \Closure
    {
        $of = $this->of($name, $e);

        return function () use ($args, $of): ?array {
            $values = [];
            foreach ($args as $arg) {
                $value = $arg();
                if ($value === null) {
                    return null;
                }
                $values[] = $value;
            }

            return $values === [] ? null : $of($values);
        };
    }

    /** @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null) over values of which none is null */
    private function of(string $name, \DOMElement $e): \Closure
    {
        $n = (int) $e->getAttribute('n') - 1;
        $ordered =
            array_filter(
                Xml::children($e),
                fn (\DOMElement $arg): bool => ($this->responses[$arg->getAttribute('identifier')] ?? null)?->cardinality === 'ordered' ||
                    $arg->localName === 'qti-ordered',
            ) !== [];

        return match ($name) {
            'qti-not' => self::over(fn (array $values): array => [$values[0] === [false]]),
            'qti-index' => self::over(fn (array $values): ?array => isset($values[0][$n]) ? [$values[0][$n]] : null),
            'qti-member' => self::over(fn (array $values): array => [self::holds($values[1] ?? [], $values[0][0] ?? null)]),
            'qti-contains' => self::over(
                fn (array $values): array => [array_filter($values[1] ?? [], fn (mixed $in): bool => ! self::holds($values[0], $in)) === []],
            ),
            'qti-match' => self::over(fn (array $values): array => [self::matches($values[0], $values[1] ?? [], $ordered)]),
            'qti-string-match' => self::over(fn (array $values): array => [self::text($e, $values[0], $values[1] ?? [])]),
            'qti-substring' => self::over(
                fn (array $values): array => [str_contains(self::folded($e, $values[1][0] ?? ''), self::folded($e, $values[0][0] ?? ''))],
            ),
            'qti-equal' => $e->getAttribute('tolerance-mode') === 'exact'
                ? self::two(fn (BigRational $a, BigRational $b): bool => $a->isEqualTo($b))
                : self::two(fn (BigRational $a, BigRational $b): bool => self::equal($e, $a, $b)),
            'qti-equal-rounded' => self::two(
                fn (BigRational $a, BigRational $b): bool => self::rounded($e, $a)->isEqualTo(self::rounded($e, $b)),
            ),
            'qti-gte' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isGreaterThanOrEqualTo($b)),
            'qti-gt' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isGreaterThan($b)),
            'qti-lte' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isLessThanOrEqualTo($b)),
            'qti-lt' => self::two(fn (BigRational $a, BigRational $b): bool => $a->isLessThan($b)),
            'qti-sum' => self::over(
                fn (array $values): array => [
                    array_reduce(
                        self::numbers($values),
                        fn (BigRational $sum, BigRational $one): BigRational => $sum->plus($one),
                        BigRational::zero(),
                    ),
                ],
            ),
            'qti-product' => self::over(
                fn (array $values): array => [
                    array_reduce(
                        self::numbers($values),
                        fn (BigRational $product, BigRational $one): BigRational => $product->multipliedBy($one),
                        BigRational::one(),
                    ),
                ],
            ),
            'qti-subtract' => self::two(fn (BigRational $a, BigRational $b): BigRational => $a->minus($b)),
            'qti-divide' => self::over(
                fn (array $values): ?array => self::numeral($values[1] ?? [])->isZero()
                    ? null
                    : [self::numeral($values[0])->dividedBy(self::numeral($values[1] ?? []))],
            ),
            'qti-max' => self::most(fn (BigRational $best, BigRational $one): BigRational => $one->isGreaterThan($best) ? $one : $best),
            'qti-min' => self::most(fn (BigRational $best, BigRational $one): BigRational => $one->isLessThan($best) ? $one : $best),
            'qti-truncate' => self::two(
                fn (BigRational $a, BigRational $b): BigRational => $a->toScale(0, RoundingMode::DOWN)->toBigRational(),
            ),
            'qti-round' => self::two(
                fn (BigRational $a, BigRational $b): BigRational => $a->plus('1/2')->toScale(0, RoundingMode::FLOOR)->toBigRational(),
            ),
            default => self::over(fn (array $values): array => $values[0]),
        };
    }

    /**
     * @param  \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function over(\Closure $of): \Closure
    {
        return $of;
    }

    /**
     * @param  \Closure(BigRational, BigRational): mixed  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function two(\Closure $of): \Closure
    {
        return self::over(fn (array $values): array => [$of(self::numeral($values[0]), self::numeral($values[1] ?? []))]);
    }

    /**
     * @param  \Closure(BigRational, BigRational): BigRational  $of
     * @return \Closure(non-empty-list<list<mixed>>): (list<mixed>|null)
     */
    private static function most(\Closure $of): \Closure
    {
        return self::over(function (array $values) use ($of): ?array {
            $numbers = self::numbers($values);

            return $numbers === [] ? null : [array_reduce(array_slice($numbers, 1), $of, $numbers[0])];
        });
    }

    /** @param  list<mixed>  $value */
    private static function numeral(array $value): BigRational
    {
        return ($value[0] ?? null) instanceof BigRational ? $value[0] : BigRational::zero();
    }

    /**
     * @param  array<list<mixed>>  $values
     * @return list<BigRational>
     */
    private static function numbers(array $values): array
    {
        return array_values(array_filter(array_merge(...$values), fn (mixed $one): bool => $one instanceof BigRational));
    }

    /** @param  list<mixed>  $container */
    private static function holds(array $container, mixed $value): bool
    {
        foreach ($container as $one) {
            if (self::same($one, $value)) {
                return true;
            }
        }

        return false;
    }

    private static function number(string $value): ?BigRational
    {
        $exact =
            Exact::read($value) ?? (is_numeric($value) ? Exact::read(rtrim(rtrim(sprintf('%.12F', (float) $value), '0'), '.')) : null);

        return $exact !== null && strlen(explode('.', $value)[1] ?? '') >= 4 ? ScoreFloats::near($exact) : $exact;
    }

    /** @return list<mixed>|null */
    private function correct(string $id): ?array
    {
        $declaration = $this->responses[$id] ?? null;

        return $declaration === null || $declaration->correct === []
            ? null
            : array_map(fn (string $value): mixed => self::typed($value, $declaration->baseType), $declaration->correct);
    }

    /** @return \Closure(): list<mixed> */
    private function mapped(string $id): \Closure
    {
        $declaration = $this->responses[$id] ?? null;
        $variable = $this->variable;
        $exact = $folded = [];
        foreach ($declaration->map ?? [] as $entry) {
            $value = self::number($entry['value']) ?? BigRational::zero();
            $exact[self::key(self::typed($entry['key'], $declaration->baseType ?? 'string'))] ??= $value;
            if (! $entry['sensitive']) {
                $folded[mb_convert_case($entry['key'], MB_CASE_FOLD, 'UTF-8')] ??= $value;
            }
        }
        $default = self::number($declaration->default ?? '0') ?? BigRational::zero();
        [$low, $high] = [
            $declaration?->lower === null ? null : self::number($declaration->lower),
            $declaration?->upper === null ? null : self::number($declaration->upper),
        ];

        return function () use ($variable, $id, $exact, $folded, $default, $low, $high): array {
            $sum = BigRational::zero();
            $met = [];
            foreach ($variable($id) ?? [] as $given) {
                $key = self::key($given);
                if (! isset($met[$key])) {
                    $met[$key] = true;
                    $sum = $sum->plus(
                        $exact[$key] ??
                            ((is_string($given) ? $folded[mb_convert_case($given, MB_CASE_FOLD, 'UTF-8')] ?? null : null) ?? $default),
                    );
                }
            }
            $sum = $low !== null && $sum->isLessThan($low) ? $low : $sum;

            return [$high !== null && $sum->isGreaterThan($high) ? $high : $sum];
        };
    }

    /**
     * @param  list<mixed>  $one
     * @param  list<mixed>  $two
     */
    private static function matches(array $one, array $two, bool $ordered): bool
    {
        if (count($one) !== count($two)) {
            return false;
        }
        if (count($one) === 1) {
            return self::same($one[0], $two[0]);
        }
        $keys = [array_map(self::key(...), $one), array_map(self::key(...), $two)];
        if (! $ordered) {
            sort($keys[0]);
            sort($keys[1]);
        }

        return $keys[0] === $keys[1];
    }

    /**
     * @param  list<list<mixed>|null>  $values
     * @return list<mixed>|null
     */
    private function anyOf(\DOMElement $e, array $values): ?array
    {
        $held = count(array_filter($values, fn (?array $value): bool => $value === [true]));
        $open = count(array_filter($values, fn (?array $value): bool => $value === null));
        [$min, $max] = [(int) $e->getAttribute('min'), (int) $e->getAttribute('max')];

        return $held >= $min && $held + $open <= $max ? [true] : ($held + $open < $min || $held > $max ? [false] : null);
    }

    private static function same(mixed $one, mixed $two): bool
    {
        return self::key($one) === self::key($two);
    }

    private static function key(mixed $value): string
    {
        return $value instanceof BigRational
            ? "n$value"
            : (is_bool($value)
                ? ($value
                    ? 'true'
                    : 'false')
                : (is_string($value)
                    ? "t$value"
                    : ''));
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

    /** The first value gives the interval, the second is judged by it. */
    private static function equal(\DOMElement $e, BigRational $one, BigRational $two): bool
    {
        $mode = $e->getAttribute('tolerance-mode');
        if (! in_array($mode, ['absolute', 'relative'], true)) {
            return $one->isEqualTo($two);
        }
        [$low, $high] = self::widths($e, $one);
        [$from, $to] = [$one->minus($low), $one->plus($high)];

        return ($e->getAttribute('include-lower-bound') === 'false' ? $two->isGreaterThan($from) : $two->isGreaterThanOrEqualTo($from)) &&
            ($e->getAttribute('include-upper-bound') === 'false' ? $two->isLessThan($to) : $two->isLessThanOrEqualTo($to));
    }

    /** @return array{BigRational, BigRational} how far below and above, as the tolerance of a qti-equal says */
    public static function widths(\DOMElement $e, BigRational $of): array
    {
        $said = preg_split('/\s+/', trim($e->getAttribute('tolerance'))) ?: [];
        $low = self::number($said[0] ?? '0') ?? BigRational::zero();
        $high = isset($said[1]) ? self::number($said[1]) ?? $low : $low;

        return $e->getAttribute('tolerance-mode') === 'relative'
            ? [$of->abs()->multipliedBy($low)->dividedBy(100), $of->abs()->multipliedBy($high)->dividedBy(100)]
            : [$low, $high];
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
