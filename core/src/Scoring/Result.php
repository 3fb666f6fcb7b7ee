<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** The score of one response and how it came about. */
final readonly class Result implements \JsonSerializable
{
    /**
     * @param  BigRational  $exact  before rounding
     * @param  BigRational  $score  rounded to the question's step
     * @param  list<PartResult>  $parts
     * @param  list<array<string, mixed>>  $feedback
     * @param  list<array<string, mixed>>  $trace
     */
    public function __construct(
        public BigRational $score,
        public BigRational $exact,
        public BigRational $max,
        public string $state,
        public bool $counts,
        public bool $needsMarking,
        public array $parts,
        public array $feedback,
        public array $trace,
    ) {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'score' => Exact::number($this->score),
            'exact' => Exact::text($this->exact),
            'max' => Exact::number($this->max),
            'state' => $this->state,
            'counts' => $this->counts,
            'needs_marking' => $this->needsMarking,
            'parts' => $this->parts,
            'feedback' => $this->feedback,
            'trace' => $this->trace,
        ];
    }
}
