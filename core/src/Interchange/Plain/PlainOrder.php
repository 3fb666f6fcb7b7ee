<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

/** The right order of things. */
final readonly class PlainOrder
{
    /**
     * @param  list<list<string>>  $ranks  things that may change places together
     * @param  list<string>  $given  of those, what stands in its place already
     */
    public function __construct(public array $ranks = [], public array $given = [])
    {
    }
}
