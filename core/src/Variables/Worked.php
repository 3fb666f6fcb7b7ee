<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use WideQuarry\Maths\Approximation;

/** What came out of what was drawn. */
final readonly class Worked
{
    /**
     * @param  array<string, int|BigRational|Approximation|string|bool|list<mixed>>  $values  those that could be worked out
     * @param  RollProblem|null  $problem  the first thing that could not be
     * @param  int|null  $forbiddenBy  the condition that does not hold
     */
    public function __construct(public array $values, public ?RollProblem $problem, public ?int $forbiddenBy)
    {
    }
}
