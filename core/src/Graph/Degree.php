<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use WideQuarry\Maths\Node;
use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Factorial;
use WideQuarry\Maths\Node\Item;
use WideQuarry\Maths\Node\Listing;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Not;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Maths\NodeVisitor;

/**
 * How many times as many digits as x the exact value of a formula may have: the degree of a polynomial, and INF where powers tell no end.
 *
 * @implements NodeVisitor<float>
 */
final readonly class Degree implements NodeVisitor
{
    public function literal(Literal $node): float
    {
        return 0;
    }

    public function name(Name $node): float
    {
        return 1;
    }

    public function negation(Negation $node): float
    {
        return $node->operand->accept($this);
    }

    public function operation(Operation $node): float
    {
        [$left, $right] = [$node->left->accept($this), $node->right->accept($this)];
        if ($node->operator === '^') {
            $power = $node->right instanceof Negation ? $node->right->operand : $node->right;
            $exponent = $power instanceof Literal ? $power->value : null;

            return is_int($exponent) ? max($left, 1) * $exponent : INF;
        }

        return $left + $right; // of a sum of fractions as well: the denominators are multiplied
    }

    public function call(Call $node): float
    {
        return $this->all($node->arguments);
    }

    public function listing(Listing $node): float
    {
        return $this->all($node->items);
    }

    public function item(Item $node): float
    {
        return $this->all([$node->list, $node->place]);
    }

    public function not(Not $node): float
    {
        return $node->operand->accept($this);
    }

    public function factorial(Factorial $node): float
    {
        return $node->operand->accept($this);
    }

    /** @param  list<Node>  $nodes */
    private function all(array $nodes): float
    {
        return array_sum(array_map(fn (Node $node): float => $node->accept($this), $nodes));
    }
}
