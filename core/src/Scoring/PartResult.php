<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** The final word on one part. */
final readonly class PartResult implements \JsonSerializable
{
    /**
     * @param  list<string>  $matched
     * @param  list<array<string, mixed>>  $trace
     * @param  list<array<string, mixed>>  $feedback
     */
    public function __construct(
        public string $id,
        public string $state,
        public BigRational $credit,
        public BigRational $score,
        public BigRational $points,
        public array $matched,
        public array $trace,
        public array $feedback,
        public ?PartMarking $marking = null,
    ) {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'id' => $this->id,
            'state' => $this->state,
            'credit' => Exact::text($this->credit),
            'score' => Exact::text($this->score),
            'points' => Exact::number($this->points),
            'matched' => $this->matched,
            'trace' => $this->trace,
            'feedback' => $this->feedback,
            ...$this->marking === null ? [] : ['marking' => $this->marking],
        ];
    }
}
