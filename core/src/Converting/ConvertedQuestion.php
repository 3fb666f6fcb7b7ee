<?php

declare(strict_types=1);

namespace WideQuarry\Converting;

/** A question after something in it was turned into another kind, and what could not be carried. */
final readonly class ConvertedQuestion
{
    /** @param  list<string>  $losses  sentences */
    public function __construct(public \stdClass $question, public array $losses)
    {
    }
}
