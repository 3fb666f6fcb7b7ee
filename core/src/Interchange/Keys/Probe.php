<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

/** What a test of an item compares an answer with: where to look for answers that show how it is marked. */
final readonly class Probe
{
    /**
     * @param  'equal'|'contains'|'shape'|'compare'  $how
     * @param  bool  $case  whether capitals matter
     */
    public function __construct(public string $how, public string $value, public bool $case = false)
    {
    }
}
