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
 * How an expression is built: the same words for the same expression, whatever spaces and brackets it was typed with and whichever way
 * round its sums and products are.
 *
 * @implements NodeVisitor<string>
 */
final readonly class Structure implements NodeVisitor
{
    private const EITHER_WAY = ['+', '*'];

    public function literal(Literal $node): string
    {
        return is_bool($node->value) || is_string($node->value) ? (string) json_encode($node->value) : (string) $node->value;
    }

    public function name(Name $node): string
    {
        return $node->name;
    }

    public function negation(Negation $node): string
    {
        return $this->built('-', [$node->operand]);
    }

    public function operation(Operation $node): string
    {
        $words = $this->each([$node->left, $node->right]);
        if (in_array($node->operator, self::EITHER_WAY, true)) {
            sort($words, SORT_STRING);
        }

        return "($node->operator ".implode(' ', $words).')';
    }

    public function call(Call $node): string
    {
        return $this->built($node->name, $node->arguments);
    }

    public function listing(Listing $node): string
    {
        return $this->built('[]', $node->items);
    }

    public function item(Item $node): string
    {
        return $this->built('item', [$node->list, $node->place]);
    }

    public function not(Not $node): string
    {
        return $this->built('not', [$node->operand]);
    }

    public function factorial(Factorial $node): string
    {
        return $this->built('!', [$node->operand]);
    }

    /** @param  list<Node>  $nodes */
    private function built(string $what, array $nodes): string
    {
        return "($what ".implode(' ', $this->each($nodes)).')';
    }

    /**
     * @param  list<Node>  $nodes
     * @return list<string>
     */
    private function each(array $nodes): array
    {
        return array_map(fn (Node $node): string => $node->accept($this), $nodes);
    }
}
