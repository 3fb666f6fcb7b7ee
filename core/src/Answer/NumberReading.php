<?php

declare(strict_types=1);

namespace WideQuarry\Answer;

use Brick\Math\BigRational;

/** A typed number as it was understood, or the reason why it was not. */
final readonly class NumberReading
{
    /**
     * @param  string  $notation  decimal, separators, scientific, percent, fraction or mixed
     * @param  int|null  $places  decimals typed, trailing zeros counted; null for fractions
     * @param  int|null  $figures  significant figures typed; null for fractions
     */
    private function __construct(public ?BigRational $value, public string $notation, public ?int $places, public ?int $figures, public ?string $reason, public string $sentence)
    {
    }

    public static function understood(BigRational $value, string $notation, ?int $places, ?int $figures): self
    {
        return new self($value, $notation, $places, $figures, null, '');
    }

    public static function refused(string $reason, string $sentence): self
    {
        return new self(null, '', null, null, $reason, $sentence);
    }
}
