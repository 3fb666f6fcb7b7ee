<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** An item of a list: s[1] is its first. */
final readonly class Item implements Node
{
    public function __construct(public Node $list, public Node $place, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->item($this);
    }
}
