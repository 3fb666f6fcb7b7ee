<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Numbers\Exact;

/**
 * The value of an expression (QTI 3.0 ASI, 2.12): null, or a list of texts, exact numbers and truths; an expression with null in it is null, unless it
 * says otherwise. Those that depend on chance, on the test or on what somebody else defined are not known.
 */
final readonly class Expressions
{
    private const KNOWN = [
        'qti-variable', 'qti-base-value', 'qti-correct', 'qti-null', 'qti-map-response', 'qti-multiple', 'qti-ordered', 'qti-container-size', 'qti-index', 'qti-member', 'qti-contains', 'qti-is-null', 'qti-not', 'qti-and', 'qti-or', 'qti-any-n', 'qti-match',
        'qti-string-match', 'qti-substring', 'qti-equal', 'qti-equal-rounded', 'qti-gte', 'qti-gt', 'qti-lte', 'qti-lt', 'qti-sum', 'qti-product', 'qti-subtract', 'qti-divide', 'qti-max', 'qti-min', 'qti-truncate', 'qti-round', 'qti-integer-to-float',
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

    /** @return list<mixed>|null */
    public function value(\DOMElement $e): ?array
    {
        $name = (string) $e->localName;
        if ($name === 'qti-variable') {
            return ($this->variable)($e->getAttribute('identifier'));
        }
        if ($name === 'qti-base-value') {
            return [self::typed($e->textContent, $e->getAttribute('base-type'))];
        }
        if ($name === 'qti-correct') {
            return $this->correct($e->getAttribute('identifier'));
        }
        if ($name === 'qti-map-response') {
            return [$this->mapped($e->getAttribute('identifier'))];
        }
        $values = array_map($this->value(...), Xml::children($e));

        return match ($name) {
            'qti-is-null' => [($values[0] ?? null) === null],
            'qti-multiple', 'qti-ordered' => array_merge(...array_map(fn (?array $value): array => $value ?? [], $values)) ?: null,
            'qti-container-size' => [BigRational::of(count($values[0] ?? []))],
            'qti-and' => in_array([false], $values, true) ? [false] : (in_array(null, $values, true) ? null : [true]),
            'qti-or' => in_array([true], $values, true) ? [true] : (in_array(null, $values, true) ? null : [false]),
            'qti-any-n' => $this->anyOf($e, $values),
            default => $values === [] || in_array(null, $values, true) ? null : $this->of($name, $e, array_values(array_filter($values, is_array(...)))),
        };
    }

    /**
     * @param  list<list<mixed>>  $values  at least one, none of them null
     * @return list<mixed>|null
     */
    private function of(string $name, \DOMElement $e, array $values): ?array
    {
        $numbers = array_values(array_filter(array_merge(...$values), fn (mixed $one): bool => $one instanceof BigRational));
        [$one, $two] = [$numbers[0] ?? BigRational::zero(), $numbers[1] ?? BigRational::zero()];

        return match ($name) {
            'qti-not' => [($values[0] ?? null) === [false]],
            'qti-index' => isset($values[0][(int) $e->getAttribute('n') - 1]) ? [$values[0][(int) $e->getAttribute('n') - 1]] : null,
            'qti-member' => [array_filter($values[1] ?? [], fn (mixed $in): bool => self::same($in, $values[0][0] ?? null)) !== []],
            'qti-contains' => [array_filter($values[1] ?? [], fn (mixed $in): bool => array_filter($values[0], fn (mixed $of): bool => self::same($of, $in)) === []) === []],
            'qti-match' => [$this->matches($values[0], $values[1] ?? [], $e)],
            'qti-string-match' => [self::text($e, $values[0], $values[1] ?? [])],
            'qti-substring' => [str_contains(self::folded($e, $values[1][0] ?? ''), self::folded($e, $values[0][0] ?? ''))],
            'qti-equal' => [self::equal($e, $one, $two)],
            'qti-equal-rounded' => [self::rounded($e, $one)->isEqualTo(self::rounded($e, $two))],
            'qti-gte' => [$one->isGreaterThanOrEqualTo($two)],
            'qti-gt' => [$one->isGreaterThan($two)],
            'qti-lte' => [$one->isLessThanOrEqualTo($two)],
            'qti-lt' => [$one->isLessThan($two)],
            'qti-sum' => [array_reduce($numbers, fn (BigRational $sum, BigRational $n): BigRational => $sum->plus($n), BigRational::zero())],
            'qti-product' => [array_reduce($numbers, fn (BigRational $product, BigRational $n): BigRational => $product->multipliedBy($n), BigRational::one())],
            'qti-subtract' => [$one->minus($two)],
            'qti-divide' => $two->isZero() ? null : [$one->dividedBy($two)],
            'qti-max' => $numbers === [] ? null : [array_reduce($numbers, fn (BigRational $best, BigRational $n): BigRational => $n->isGreaterThan($best) ? $n : $best, $numbers[0])],
            'qti-min' => $numbers === [] ? null : [array_reduce($numbers, fn (BigRational $best, BigRational $n): BigRational => $n->isLessThan($best) ? $n : $best, $numbers[0])],
            'qti-truncate' => [$one->toScale(0, RoundingMode::DOWN)->toBigRational()],
            'qti-round' => [$one->plus('1/2')->toScale(0, RoundingMode::FLOOR)->toBigRational()],
            default => $values[0],
        };
    }

    private static function number(string $value): ?BigRational
    {
        $exact = Exact::read($value) ?? (is_numeric($value) ? Exact::read(rtrim(rtrim(sprintf('%.12F', (float) $value), '0'), '.')) : null);

        return $exact !== null && strlen(explode('.', $value)[1] ?? '') >= 4 ? Credit::near($exact) : $exact;
    }

    /** @return list<mixed>|null */
    private function correct(string $id): ?array
    {
        $declaration = $this->responses[$id] ?? null;

        return $declaration === null || $declaration->correct === [] ? null : array_map(fn (string $value): mixed => self::typed($value, $declaration->baseType), $declaration->correct);
    }

    private function mapped(string $id): BigRational
    {
        $declaration = $this->responses[$id] ?? null;
        $sum = BigRational::zero();
        $met = [];
        foreach (($this->variable)($id) ?? [] as $given) {
            $key = self::key($given);
            if (isset($met[$key])) {
                continue;
            }
            $met[$key] = true;
            $value = $declaration->default ?? '0';
            foreach ($declaration->map ?? [] as $entry) {
                $listed = self::typed($entry['key'], $declaration->baseType ?? 'string');
                if (self::same($listed, $given) || (! $entry['sensitive'] && is_string($given) && mb_convert_case($entry['key'], MB_CASE_FOLD, 'UTF-8') === mb_convert_case($given, MB_CASE_FOLD, 'UTF-8'))) {
                    $value = $entry['value'];
                    break;
                }
            }
            $sum = $sum->plus(self::number($value) ?? 0);
        }
        [$low, $high] = [$declaration?->lower === null ? null : self::number($declaration->lower), $declaration?->upper === null ? null : self::number($declaration->upper)];
        $sum = $low !== null && $sum->isLessThan($low) ? $low : $sum;

        return $high !== null && $sum->isGreaterThan($high) ? $high : $sum;
    }

    /**
     * @param  list<mixed>  $one
     * @param  list<mixed>  $two
     */
    private function matches(array $one, array $two, \DOMElement $e): bool
    {
        $keys = [array_map(self::key(...), $one), array_map(self::key(...), $two)];
        $ordered = array_filter(Xml::children($e), fn (\DOMElement $arg): bool => ($this->responses[$arg->getAttribute('identifier')] ?? null)?->cardinality === 'ordered' || $arg->localName === 'qti-ordered') !== [];
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
        return $value instanceof BigRational ? "n$value" : (is_bool($value) ? ($value ? 'true' : 'false') : (is_string($value) ? "t$value" : ''));
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

        return ($e->getAttribute('include-lower-bound') === 'false' ? $two->isGreaterThan($from) : $two->isGreaterThanOrEqualTo($from)) && ($e->getAttribute('include-upper-bound') === 'false' ? $two->isLessThan($to) : $two->isLessThanOrEqualTo($to));
    }

    /** @return array{BigRational, BigRational} how far below and above, as the tolerance of a qti-equal says */
    public static function widths(\DOMElement $e, BigRational $of): array
    {
        $said = preg_split('/\s+/', trim($e->getAttribute('tolerance'))) ?: [];
        $low = self::number($said[0] ?? '0') ?? BigRational::zero();
        $high = isset($said[1]) ? self::number($said[1]) ?? $low : $low;

        return $e->getAttribute('tolerance-mode') === 'relative' ? [$of->abs()->multipliedBy($low)->dividedBy(100), $of->abs()->multipliedBy($high)->dividedBy(100)] : [$low, $high];
    }

    private static function rounded(\DOMElement $e, BigRational $value): BigRational
    {
        $figures = min(30, max(0, (int) $e->getAttribute('figures')));

        return ($e->getAttribute('rounding-mode') === 'significantFigures' ? Exact::toFigures($value, max(1, $figures)) : Exact::toPlaces($value, $figures))->toBigRational();
    }
}
