<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** An amount asked for; either end may be open, both count as inside. */
final readonly class Range
{
    public const MOST = '1000000';

    public function __construct(public ?BigRational $min, public ?BigRational $max)
    {
    }

    public static function exactly(int $amount): self
    {
        return new self(BigRational::of($amount), BigRational::of($amount));
    }

    /**
     * @param  bool  $isWhole  whether it counts things
     * @return self|null null where the field is missing
     *
     * @throws Malformed
     */
    public static function read(Fields $of, string $field, bool $isWhole): ?self
    {
        if (! $of->has($field)) {
            return null;
        }
        $fields = Fields::of($of->raw($field), $of->at($field), ['min', 'max']);
        $end = fn (string $name): ?BigRational => match (true) {
            $fields->raw($name) === null => null,
            $isWhole => BigRational::of($fields->int($name, 0, 0, (int) self::MOST)),
            default => Exact::of($fields->decimal($name, self::MOST)),
        };
        $range = new self($end('min'), $end('max'));

        return $range->isUpsideDown()
            ? throw Malformed::outOfRange($of->at($field), Message::of('selection.range-order'), $fields->raw('min'))
            : $range;
    }

    public function isUpsideDown(): bool
    {
        return $this->min !== null && $this->max !== null && $this->min->isGreaterThan($this->max);
    }

    public function isOpen(): bool
    {
        return $this->min === null && $this->max === null;
    }

    public function has(BigRational $amount): bool
    {
        return ! ($this->min !== null && $amount->isLessThan($this->min)) && ! ($this->max !== null && $amount->isGreaterThan($this->max));
    }

    /** The least change that takes an amount in. */
    public function widenedTo(BigRational $amount): self
    {
        return new self(
            $this->min !== null && $amount->isLessThan($this->min) ? $amount : $this->min,
            $this->max !== null && $amount->isGreaterThan($this->max) ? $amount : $this->max,
        );
    }

    /** @return array{min?: int|float, max?: int|float} */
    public function toJson(): array
    {
        return [
            ...$this->min === null ? [] : ['min' => Exact::number($this->min)],
            ...$this->max === null ? [] : ['max' => Exact::number($this->max)],
        ];
    }

    /** As it is said in a sentence: "3", "2–4", "at least 2", "at most 4". */
    public function said(): string
    {
        [$min, $max] = [$this->min === null ? null : self::text($this->min), $this->max === null ? null : self::text($this->max)];

        return match (true) {
            $min !== null && $min === $max => $min,
            $min !== null && $max !== null => "{$min}–$max",
            $min !== null => Message::of('selection.at-least', ['n' => $min]),
            $max !== null => Message::of('selection.at-most', ['n' => $max]),
            default => Message::of('selection.any-number'),
        };
    }

    private static function text(BigRational $amount): string
    {
        return Exact::decimal($amount) ?? Exact::text($amount);
    }
}
