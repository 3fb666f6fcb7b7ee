<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;

/** What is known of a question when an assessment that asks it is checked. */
final readonly class ReadyQuestion
{
    /**
     * @param  string  $title  '' where the reader may not see it
     * @param  bool  $isMarked  false for a page of text
     * @param  list<string>  $stimuli  that it shows
     */
    public function __construct(
        public string $title,
        public BigRational $points,
        public bool $isComplete,
        public int $failingSpecimens,
        public bool $isMarked = true,
        public array $stimuli = [],
    ) {
    }
}
