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
 * The names in an expression, in the order they stand.
 *
 * @implements NodeVisitor<list<string>>
 */
final readonly class NamesIn implements NodeVisitor
{
    public function literal(Literal $node): array
    {
        return [];
    }

    public function name(Name $node): array
    {
        return [$node->name];
    }

    public function negation(Negation $node): array
    {
        return $node->operand->accept($this);
    }

    public function operation(Operation $node): array
    {
        return [...$node->left->accept($this), ...$node->right->accept($this)];
    }

    public function call(Call $node): array
    {
        return $this->all($node->arguments);
    }

    public function listing(Listing $node): array
    {
        return $this->all($node->items);
    }

    public function item(Item $node): array
    {
        return $this->all([$node->list, $node->place]);
    }

    public function not(Not $node): array
    {
        return $node->operand->accept($this);
    }

    public function factorial(Factorial $node): array
    {
        return $node->operand->accept($this);
    }

    /**
     * @param  list<Node>  $nodes
     * @return list<string>
     */
    private function all(array $nodes): array
    {
        return array_merge(...array_map(fn (Node $node): array => $node->accept($this), $nodes), ...[[]]);
    }
}
