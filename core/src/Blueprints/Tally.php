<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

/** How many questions there are that a blueprint cannot tell apart. */
final readonly class Tally
{
    /**
     * @param  list<string>  $keys  of the conditions they meet (`Blueprint::conditions`)
     * @param  bool  $isUnused  since the day the blueprint names
     * @param  string  $points  of all of them, decimal
     */
    public function __construct(
        public array $keys,
        public string $status,
        public bool $isUnused,
        public int $count,
        public string $points,
    ) {
    }
}
