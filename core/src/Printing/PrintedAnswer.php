<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;

/** One answer of a key as it stands on paper, and the share of the points it earns. */
final readonly class PrintedAnswer
{
    public function __construct(public string $html, public BigRational $credit)
    {
    }
}
