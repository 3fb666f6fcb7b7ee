<?php

declare(strict_types=1);

namespace WideQuarry\Maths\Node;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\NodeVisitor;

/** A named function. */
final readonly class Call implements Node
{
    /** @param  list<Node>  $arguments */
    public function __construct(public string $name, public array $arguments, public int $offset)
    {
    }

    public function accept(NodeVisitor $visitor): mixed
    {
        return $visitor->call($this);
    }
}
