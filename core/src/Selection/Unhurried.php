<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** As much time as a solver takes. */
final readonly class Unhurried implements Budget
{
    public function left(): float
    {
        return 3600.0;
    }
}
