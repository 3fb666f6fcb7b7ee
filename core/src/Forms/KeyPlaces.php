<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

/** Where the only right option of a part can stand among its options, counted from 0. */
final readonly class KeyPlaces
{
    /**
     * @param  string  $right  the option
     * @param  int  $options  how many there are
     * @param  non-empty-list<int>  $places  those it can have, from the first on
     */
    public function __construct(public string $right, public int $options, public array $places)
    {
    }
}
