<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

/** A node of an expression. Operations are visitors, never methods here. */
interface Node
{
    /**
     * @template T
     *
     * @param  NodeVisitor<T>  $visitor
     * @return T
     */
    public function accept(NodeVisitor $visitor): mixed;
}
