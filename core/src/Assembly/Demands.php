<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use Brick\Math\BigRational;
use WideQuarry\Numbers\Exact;

/** What a place in an assessment asks of its question, so that another can stand in it. */
final readonly class Demands
{
    /** What it costs not to meet one, so that a question of another kind is further off than one of another difficulty. */
    private const COSTS = ['kind' => 80, 'topic' => 60, 'standard' => 40, 'difficulty' => 15, 'points' => 10, 'minutes' => 5];

    /**
     * @param  list<string>  $kinds  of its parts
     * @param  list<list<string>>  $topics  paths
     * @param  list<string>  $standards  statements
     */
    public function __construct(
        public array $kinds,
        public array $topics,
        public array $standards,
        public ?int $difficulty,
        public BigRational $points,
        public ?BigRational $minutes,
    ) {
    }

    /** @return list<string> which of them another question does not meet; what is not known here is no demand */
    public function unmetBy(self $other): array
    {
        $differs = [
            'kind' => $this->kindsOf() !== $other->kindsOf(),
            'topic' => $this->topics !== [] && $this->apart($other) > 0,
            'standard' => $this->standards !== [] && array_intersect($this->standards, $other->standards) === [],
            'difficulty' => $this->difficulty !== null && $this->difficulty !== $other->difficulty,
            'points' => ! $this->points->isEqualTo($other->points),
            'minutes' => $this->minutes !== null && ($other->minutes === null || ! $this->minutes->isEqualTo($other->minutes)),
        ];

        return array_keys(array_filter($differs));
    }

    /** How far off another question is: 0 meets them all. */
    public function distance(self $other): int
    {
        $distance = 0;
        foreach ($this->unmetBy($other) as $demand) {
            $distance += (int) round(self::COSTS[$demand] * $this->share($demand, $other));
        }

        return $distance;
    }

    /** How much of the cost of a demand is due; the nearer, the less. */
    private function share(string $demand, self $other): float
    {
        return match ($demand) {
            'topic' => $this->apart($other),
            'difficulty' => $other->difficulty === null ? 1.5 : abs(($this->difficulty ?? 0) - $other->difficulty),
            'points' => self::ratio($this->points, $other->points),
            'minutes' => $other->minutes === null ? 1.0 : self::ratio($this->minutes ?? Exact::zero(), $other->minutes),
            default => 1.0,
        };
    }

    /** From 0, a topic in common, to 1, nothing in common; a neighbour in the tree is between. */
    private function apart(self $other): float
    {
        $nearest = 1.0;
        foreach ($this->topics as $mine) {
            foreach ($other->topics as $theirs) {
                $shared = 0;
                while (isset($mine[$shared], $theirs[$shared]) && $mine[$shared] === $theirs[$shared]) {
                    $shared++;
                }
                $nearest = min($nearest, 1 - $shared / max(count($mine), count($theirs)));
            }
        }

        return $nearest;
    }

    /** 0 for the same amount, 3 at most. */
    private static function ratio(BigRational $a, BigRational $b): float
    {
        [$a, $b] = [$a->toFloat(), $b->toFloat()];

        return $a <= 0 || $b <= 0 ? ($a === $b ? 0.0 : 3.0) : min(3.0, max($a / $b, $b / $a) - 1);
    }

    /** @return list<string> */
    private function kindsOf(): array
    {
        $kinds = array_values(array_unique($this->kinds));
        sort($kinds);

        return $kinds;
    }
}
