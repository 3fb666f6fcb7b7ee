<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Factorial;
use WideQuarry\Maths\Node\Item;
use WideQuarry\Maths\Node\Listing;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Not;
use WideQuarry\Maths\Node\Operation;

/**
 * One method for each node: an operation that misses a node does not load.
 *
 * @template T
 */
interface NodeVisitor
{
    /** @return T */
    public function literal(Literal $node): mixed;

    /** @return T */
    public function name(Name $node): mixed;

    /** @return T */
    public function negation(Negation $node): mixed;

    /** @return T */
    public function operation(Operation $node): mixed;

    /** @return T */
    public function call(Call $node): mixed;

    /** @return T */
    public function listing(Listing $node): mixed;

    /** @return T */
    public function item(Item $node): mixed;

    /** @return T */
    public function not(Not $node): mixed;

    /** @return T */
    public function factorial(Factorial $node): mixed;
}
