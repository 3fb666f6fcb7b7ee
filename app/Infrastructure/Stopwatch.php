<?php

declare(strict_types=1);

namespace App\Infrastructure;

use WideQuarry\Selection\Budget;

final readonly class Stopwatch implements Budget
{
    private float $end;

    public function __construct(float $seconds)
    {
        $this->end = microtime(true) + $seconds;
    }

    public function left(): float
    {
        return max(0.0, $this->end - microtime(true));
    }
}
