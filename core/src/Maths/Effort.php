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
 * How much work an expression is, in sums of two numbers. It is counted and not timed, so that it is the same on every machine. Functions
 * and powers may need 45 figures, which takes a few hundred times as long as a sum.
 *
 * @implements NodeVisitor<int>
 */
final readonly class Effort implements NodeVisitor
{
    private const FUNCTION = 300;

    /** Of numbers that may have thousands of digits. */
    private const PRODUCT = 30;

    public function literal(Literal $node): int
    {
        return 0;
    }

    public function name(Name $node): int
    {
        return 0;
    }

    public function negation(Negation $node): int
    {
        return 1 + $node->operand->accept($this);
    }

    public function operation(Operation $node): int
    {
        $own = match ($node->operator) {
            '^' => self::FUNCTION,
            '*', '/' => self::PRODUCT,
            default => 1,
        };

        return $own + $this->all([$node->left, $node->right]);
    }

    public function call(Call $node): int
    {
        return ($node->name === 'if' ? 1 : self::FUNCTION) + $this->all($node->arguments);
    }

    public function listing(Listing $node): int
    {
        return 1 + $this->all($node->items);
    }

    public function item(Item $node): int
    {
        return 1 + $this->all([$node->list, $node->place]);
    }

    public function not(Not $node): int
    {
        return 1 + $node->operand->accept($this);
    }

    public function factorial(Factorial $node): int
    {
        return self::FUNCTION + $node->operand->accept($this);
    }

    /** @param  list<Node>  $nodes */
    private function all(array $nodes): int
    {
        return array_sum(array_map(fn (Node $node): int => $node->accept($this), $nodes));
    }
}
