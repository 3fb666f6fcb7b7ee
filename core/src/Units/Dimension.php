<?php

declare(strict_types=1);

namespace WideQuarry\Units;

/** What a unit measures: the powers of the seven base units of the SI (BIPM 2019, "The International System of Units", 2.3.3). */
final readonly class Dimension
{
    public const BASES = ['m', 'kg', 's', 'A', 'K', 'mol', 'cd'];

    /** @param  list<int>  $powers  of the base units, in their order */
    private function __construct(public array $powers)
    {
    }

    /** @param  array<string, int>  $powers  by base unit */
    public static function of(array $powers): self
    {
        return new self(array_map(fn (string $base): int => $powers[$base] ?? 0, self::BASES));
    }

    public function times(self $other, int $power = 1): self
    {
        return new self(array_map(fn (int $a, int $b): int => $a + $power * $b, $this->powers, $other->powers));
    }

    public function equals(self $other): bool
    {
        return $this->powers === $other->powers;
    }

    public function isNone(): bool
    {
        return array_filter($this->powers) === [];
    }
}
