<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** What a solver says of a programme. */
final readonly class Solved
{
    /**
     * @param  list<int>|null  $values  by variable; null when none was found
     * @param  bool  $isProved  that nothing is better, or that there is none
     * @param  float|null  $bound  what the objective cannot exceed, where that is known and was not reached
     */
    private function __construct(public ?array $values, public bool $isProved, public ?float $bound = null)
    {
    }

    /** @param  list<int>  $values */
    public static function best(array $values): self
    {
        return new self($values, true);
    }

    /** @param  list<int>  $values */
    public static function found(array $values, ?float $bound): self
    {
        return new self($values, false, $bound);
    }

    public static function impossible(): self
    {
        return new self(null, true);
    }

    /** The time was over before one was found. */
    public static function unknown(): self
    {
        return new self(null, false);
    }

    public function isImpossible(): bool
    {
        return $this->values === null && $this->isProved;
    }
}
