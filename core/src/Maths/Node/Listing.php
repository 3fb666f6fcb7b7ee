<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** A list: [1, 2, 3]. */
final readonly class Listing implements Node
{
    /** @param  list<Node>  $items */
    public function __construct(public array $items, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->listing($this);
    }
}
