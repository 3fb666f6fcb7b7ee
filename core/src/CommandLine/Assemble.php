<?php

declare(strict_types=1);

namespace WideQuarry\CommandLine;

use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Selection\Budget;
use WideQuarry\Selection\Outcome;
use WideQuarry\Selection\Problem;
use WideQuarry\Selection\Selector;
use WideQuarry\Selection\Solver;

/** `quarry assemble`: a test from a pool, demands, rules and wishes. */
final readonly class Assemble
{
    private const SECONDS = '10';

    private const MOST_SECONDS = '300';

    /** @param  \Closure(float): Budget  $budget  so many seconds, from now on */
    public function __construct(private Solver $solver, private \Closure $budget)
    {
    }

    /** @throws Malformed */
    public function run(string $bytes): Outcome
    {
        $json = Json::decode($bytes);
        $problem = Problem::read($json);
        assert($json instanceof \stdClass);
        $seconds = isset($json->seconds)
            ? Fields::of((object) ['seconds' => $json->seconds], '', ['seconds'])->decimal('seconds', self::MOST_SECONDS, '0.1')
            : self::SECONDS;

        return (new Selector($this->solver))->select($problem, ($this->budget)((float) $seconds));
    }
}
