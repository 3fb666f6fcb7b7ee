<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Qti30\Operators\Containers;
use WideQuarry\Interchange\Qti30\Operators\MappedResponse;
use WideQuarry\Interchange\Qti30\Operators\Numeric;
use WideQuarry\Interchange\Qti30\Operators\Values;

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
            'qti-base-value' => self::constant([Values::typed($e->textContent, $e->getAttribute('base-type'))]),
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
        $isOrdered = fn (\DOMElement $arg): bool => $arg->localName === 'qti-ordered' ||
            ($this->responses[$arg->getAttribute('identifier')] ?? null)?->cardinality === 'ordered';
        $ordered = array_filter(Xml::children($e), $isOrdered) !== [];

        return Containers::of($name, $e, $ordered) ?? Numeric::of($name, $e) ?? Values::over(fn (array $values): array => $values[0]);
    }

    /** @return list<mixed>|null */
    private function correct(string $id): ?array
    {
        $declaration = $this->responses[$id] ?? null;

        return $declaration === null || $declaration->correct === []
            ? null
            : array_map(fn (string $value): mixed => Values::typed($value, $declaration->baseType), $declaration->correct);
    }

    /** @return \Closure(): list<mixed> */
    private function mapped(string $id): \Closure
    {
        $mapping = MappedResponse::of($this->responses[$id] ?? null);
        $variable = $this->variable;

        return fn (): array => [$mapping->points($variable($id) ?? [])];
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
}
