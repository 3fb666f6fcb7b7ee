<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use WideQuarry\Content\Filling;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Formula;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Numbers\Exact;

/** One set of values of a question's variables. */
final readonly class Roll implements \JsonSerializable
{
    /** @var \ArrayObject<string, int|BigRational|Approximation|string|bool|list<mixed>> what expressions came to, by their text */
    private \ArrayObject $known;

    /**
     * @param  array<string, int|BigRational|Approximation|string|bool|list<mixed>>  $values
     * @param  array<string, string>  $written  how each is written where it is shown
     * @param  list<string>  $natural  names whose sign joins a sum before it
     */
    public function __construct(public array $values = [], public array $written = [], private array $natural = [])
    {
        /** @var \ArrayObject<string, int|BigRational|Approximation|string|bool|list<mixed>> $known */
        $known = new \ArrayObject;
        $this->known = $known;
    }

    /**
     * What an expression comes to with these values; worked out once, however many rules and settings ask for it.
     *
     * @return int|BigRational|Approximation|string|bool|list<mixed>
     *
     * @throws MathsProblem
     */
    public function evaluate(string $expression): int|BigRational|Approximation|string|bool|array
    {
        return $this->known[$expression] ??= Formula::of($expression)->value($this->values);
    }

    /** The values as they are put into texts. */
    public function filling(): Filling
    {
        return new Filling($this->written, $this->natural);
    }

    /**
     * Numbers as exact text; one that is not exact, as its decimal of 30 figures.
     *
     * @return array<string, mixed>
     */
    public function jsonSerialize(): array
    {
        $shown = [];
        foreach ($this->values as $name => $value) {
            $shown[$name] = ['value' => self::text($value), 'written' => $this->written[$name]];
        }

        return ['values' => (object) $shown];
    }

    /** @return string|bool|list<mixed> */
    public static function text(mixed $value): string|bool|array
    {
        return match (true) {
            is_bool($value), is_string($value) => $value,
            is_array($value) => array_map(self::text(...), array_values($value)),
            $value instanceof Approximation => Exact::decimal($value->toRational()) ?? '',
            $value instanceof BigRational => Exact::text($value),
            default => is_int($value) ? (string) $value : throw new \LogicException('No value of a roll.'),
        };
    }
}
