<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** What a person gave for a part, and what is still to be marked. */
final readonly class PartMarking implements \JsonSerializable
{
    /**
     * @param  list<array{id: string, level: string|null, points: string|null, earned: string|null, counts: bool}>  $criteria
     * @param  list<string>  $open  ids of criteria without marks
     * @param  BigRational|null  $points  for the whole part, where there is no rubric
     */
    public function __construct(public array $criteria, public array $open, public ?BigRational $points, public string $note)
    {
    }

    /** @return array<string, mixed> */
    public function jsonSerialize(): array
    {
        return [
            'criteria' => $this->criteria,
            'open' => $this->open,
            'points' => $this->points === null ? null : Exact::text($this->points),
            'note' => $this->note,
        ];
    }
}
