<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** A program that solves linear programmes in whole numbers. The core says what it needs of one; the application runs it, confined. */
interface Solver
{
    /**
     * @param  float  $seconds  after which it says what it has
     * @param  bool  $isRough  whether a solution near the best will do, found the same way in every process
     *
     * @throws SolverFailed when it is missing, was ended, or says nothing that can be understood
     */
    public function solve(Programme $programme, float $seconds, bool $isRough = false): Solved;
}
