<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

use Brick\Math\BigRational;

/** What one search of a pool came to. */
final readonly class Found
{
    /**
     * @param  list<list<Candidate>>|null  $tests
     * @param  bool  $isProved  that nothing is better, or that there is none
     * @param  array<string, BigRational>  $reached  what each objective that counts came to
     * @param  BigRational|null  $bound  what the sum of wishes cannot exceed, where that is known and was not reached
     */
    public function __construct(
        public ?array $tests,
        public bool $isProved,
        public array $reached = [],
        public ?BigRational $bound = null,
    ) {
    }

    public function isImpossible(): bool
    {
        return $this->tests === null && $this->isProved;
    }

    /** Whether one test is as good as another, so that the first will do. */
    public function isEnough(): bool
    {
        return $this->reached === [];
    }

    /** Whether this, which was asked for less, came no further. */
    public function isNoBetterThan(self $other): bool
    {
        foreach ($this->reached as $name => $reached) {
            if (! isset($other->reached[$name]) || ! $reached->isEqualTo($other->reached[$name])) {
                return false;
            }
        }

        return $this->isProved;
    }

    public function proved(bool $isProved): self
    {
        return new self($this->tests, $isProved, $this->reached, $this->bound);
    }
}
