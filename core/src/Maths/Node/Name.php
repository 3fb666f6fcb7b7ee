<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** A variable, or one of the constants pi and e. */
final readonly class Name implements Node
{
    public function __construct(public string $name, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->name($this);
    }
}
