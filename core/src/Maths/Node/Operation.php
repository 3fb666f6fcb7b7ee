<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** Two operands: + - * / ^ = != < <= > >= in and or */
final readonly class Operation implements Node
{
    public function __construct(public string $operator, public Node $left, public Node $right, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->operation($this);
    }
}
