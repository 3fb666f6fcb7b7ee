<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** The time there is for one problem. The core has no clock. */
interface Budget
{
    /** @return float seconds; 0 when it is used up */
    public function left(): float;
}
