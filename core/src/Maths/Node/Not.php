<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** The opposite of a condition. */
final readonly class Not implements Node
{
    public function __construct(public Node $operand, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->not($this);
    }
}
