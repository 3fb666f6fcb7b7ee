<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** Where no solver was given. */
final readonly class NoSolver implements Solver
{
    public function solve(Programme $programme, float $seconds, bool $isRough = false): Solved
    {
        throw SolverFailed::missing();
    }
}
