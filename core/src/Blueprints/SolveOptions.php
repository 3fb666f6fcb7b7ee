<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Random\Seed;

/** What is asked of one solution of a blueprint, beside the blueprint. */
final readonly class SolveOptions
{
    /**
     * @param  list<string>  $kept  questions that stay in the test
     * @param  list<string>  $apartFrom  questions of earlier solutions, to be taken again as little as possible
     * @param  list<string>  $without  questions that are not to be taken
     * @param  int  $tests  how many tests at once
     * @param  int  $common  how many questions two of them may share
     */
    public function __construct(
        public Seed $seed,
        public array $kept = [],
        public array $apartFrom = [],
        public array $without = [],
        public int $tests = 1,
        public int $common = 0,
    ) {
    }

    /** @return list<string> every question it names */
    public function questions(): array
    {
        return array_values(array_unique([...$this->kept, ...$this->apartFrom, ...$this->without]));
    }
}
