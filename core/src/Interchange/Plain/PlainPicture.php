<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use Brick\Math\BigRational;

/** A picture whose areas are picked, for formats that know such. */
final readonly class PlainPicture
{
    /**
     * @param  string  $html  the picture as rich text
     * @param  array<string, array{shape: string, at: list<BigRational>}>  $areas  by the identifiers of the options
     * @param  bool  $isPlaced  whether points are placed on it, which the areas judge, the first that holds one; else areas are picked
     */
    public function __construct(public string $html, public array $areas, public bool $isPlaced = false)
    {
    }
}
