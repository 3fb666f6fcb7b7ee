<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/** A statement or topic that a question may be about. */
final readonly class Proposal
{
    /** @param  list<string>  $stems  those that decided, the weightiest first */
    public function __construct(public string $node, public float $score, public array $stems)
    {
    }
}
