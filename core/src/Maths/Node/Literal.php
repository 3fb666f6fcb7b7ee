<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** A number, or words in quotes. */
final readonly class Literal implements Node
{
    public function __construct(public \Brick\Math\BigRational|string $value, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->literal($this);
    }
}
