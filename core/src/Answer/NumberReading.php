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
     * @param  int|null  $fewestFigures  the same without the trailing zeros of a whole number, which may be placeholders
     * @param  self|null  $grouped  the alternative reading of a lone mark before three digits: "3.142" as 3142
     */
    private function __construct(
        public ?BigRational $value,
        public string $notation,
        public ?int $places,
        public ?int $figures,
        public ?int $fewestFigures,
        public ?string $reason,
        public string $sentence,
        public ?self $grouped = null,
    ) {
    }

    public static function understood(
        BigRational $value,
        string $notation,
        ?int $places,
        ?int $figures,
        ?int $fewestFigures = null,
        ?self $grouped = null,
    ): self {
        return new self($value, $notation, $places, $figures, $fewestFigures ?? $figures, null, '', $grouped);
    }

    /** The same digits with another value, after applying a sign, a power of ten or a percent sign. */
    public function as(BigRational $value, string $notation, ?int $places): self
    {
        return new self($value, $notation, $places, $this->figures, $this->fewestFigures, null, '');
    }

    /** This reading or the alternative one, whichever the predicate prefers. */
    public function or(self $grouped): self
    {
        return new self($this->value, $this->notation, $this->places, $this->figures, $this->fewestFigures, null, '', $grouped);
    }

    /** Whether so many significant figures were typed. "1200" may have 2, 3 or 4, unless its zeros count. */
    public function hasFigures(int $digits, bool $countsZeros): bool
    {
        if ($this->figures === null) {
            return false;
        }
        $fewest = $countsZeros ? $this->figures : $this->fewestFigures ?? $this->figures;

        return $fewest <= $digits && $digits <= $this->figures;
    }

    public function alone(): self
    {
        return $this->grouped === null
            ? $this
            : $this->as($this->value ?? throw new \LogicException('Nothing was read.'), $this->notation, $this->places);
    }

    public static function refused(string $reason, string $sentence): self
    {
        return new self(null, '', null, null, null, $reason, $sentence);
    }
}
