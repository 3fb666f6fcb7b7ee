<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use Brick\Math\BigRational;
use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** A number, words in quotes, true or false. */
final readonly class Literal implements Node
{
    public function __construct(public int|BigRational|string|bool $value, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->literal($this);
    }
}
