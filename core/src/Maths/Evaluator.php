<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigRational;
use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Factorial;
use WideQuarry\Maths\Node\Item;
use WideQuarry\Maths\Node\Listing;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Not;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Messages\Message;

/**
 * Works out an expression: exactly as long as it can be, then with decimals whose error is known. Values are numbers, words, true and
 * false, and lists of these.
 *
 * @phpstan-type Quantity int|BigRational|Approximation
 * @phpstan-type Value Quantity|string|bool|list<mixed>
 *
 * @implements NodeVisitor<int|BigRational|Approximation|string|bool|list<mixed>>
 */
final readonly class Evaluator implements NodeVisitor
{
    /** @param  array<string, Value>  $values */
    public function __construct(private array $values)
    {
    }

    /**
     * @return Value
     *
     * @throws MathsProblem
     */
    public function value(Node $node): int|BigRational|Approximation|string|bool|array
    {
        return $node->accept($this);
    }

    public function literal(Literal $node): int|BigRational|string|bool
    {
        return $node->value;
    }

    public function name(Name $node): int|BigRational|Approximation|string|bool|array
    {
        return $this->values[$node->name] ?? match (true) {
            $node->name === 'pi' => Transcendental::pi(),
            $node->name === 'e' => Transcendental::e(),
            isset(FunctionTable::SIGNATURES[$node->name]) => throw MathsProblem::functionAsName($node->name, $node->offset),
            default => throw MathsProblem::unknownName($node->name, $node->offset),
        };
    }

    public function negation(Negation $node): int|BigRational|Approximation
    {
        return Arithmetic::negated($this->number($node->operand, $node->offset));
    }

    public function operation(Operation $node): int|BigRational|Approximation|bool
    {
        switch ($node->operator) {
            case 'and':
                return $this->condition($node->left, $node->offset) && $this->condition($node->right, $node->offset);
            case 'or':
                return $this->condition($node->left, $node->offset) || $this->condition($node->right, $node->offset);
            case '=':
            case '!=':
                return $this->equal($this->value($node->left), $this->value($node->right)) === ($node->operator === '=');
            case 'in':
                return $this->isIn($this->value($node->left), $this->value($node->right), $node->offset);
        }
        $left = $this->number($node->left, $node->offset);
        $right = $this->number($node->right, $node->offset);
        try {
            return match ($node->operator) {
                '+' => Arithmetic::plus($left, $right),
                '-' => Arithmetic::plus($left, Arithmetic::negated($right)),
                '*' => Arithmetic::times($left, $right),
                '/' => Arithmetic::over($left, $right),
                '^' => Arithmetic::power($left, $right),
                '<' => Arithmetic::compare($left, $right) < 0,
                '<=' => Arithmetic::compare($left, $right) <= 0,
                '>' => Arithmetic::compare($left, $right) > 0,
                '>=' => Arithmetic::compare($left, $right) >= 0,
                default => throw new \LogicException("No such operator: $node->operator"),
            };
        } catch (ArithmeticProblem $problem) {
            throw MathsProblem::cannot($problem, $node->offset);
        }
    }

    public function call(Call $node): int|BigRational|Approximation|string|bool|array
    {
        $name = $node->name;
        if (! isset(FunctionTable::SIGNATURES[$name])) {
            throw isset($this->values[$name])
                ? MathsProblem::nameAsFunction($name, $node->offset)
                : MathsProblem::unknownFunction($name, $node->offset);
        }
        if (! FunctionTable::takes($name, count($node->arguments))) {
            throw MathsProblem::arguments($name, FunctionTable::SIGNATURES[$name], $node->offset);
        }
        if ($name === 'if') {
            [$condition, $then, $else] = $node->arguments;

            return $this->value($this->condition($condition, $node->offset) ? $then : $else);
        }
        $of = [];
        foreach ($node->arguments as $argument) {
            $value = $this->value($argument);
            foreach (is_array($value) && FunctionTable::takes($name, 99) ? $value : [$value] as $one) {
                $of[] = $this->quantity($one, $node->offset);
            }
        }
        try {
            return FunctionTable::call($name, $of === [] ? throw MathsProblem::noSuchItem(0, $node->offset) : $of);
        } catch (ArithmeticProblem $problem) {
            throw MathsProblem::cannot($problem, $node->offset);
        }
    }

    public function listing(Listing $node): array
    {
        return array_map($this->value(...), $node->items);
    }

    public function item(Item $node): int|BigRational|Approximation|string|bool
    {
        $list = $this->value($node->list);
        if (! is_array($list)) {
            throw MathsProblem::notAList($node->offset);
        }
        $place = $this->number($node->place, $node->offset);

        $item = is_int($place) ? $list[$place - 1] ?? null : null;

        return self::isQuantity($item) || is_string($item) || is_bool($item)
            ? $item
            : throw MathsProblem::noSuchItem(count($list), $node->offset);
    }

    public function not(Not $node): bool
    {
        return ! $this->condition($node->operand, $node->offset);
    }

    public function factorial(Factorial $node): int|BigRational
    {
        try {
            return FunctionTable::factorial($this->number($node->operand, $node->offset));
        } catch (ArithmeticProblem $problem) {
            throw MathsProblem::cannot($problem, $node->offset);
        }
    }

    /** Whether two values are the same; numbers that cannot be told apart are. */
    public static function equal(mixed $left, mixed $right): bool
    {
        if (is_array($left) && is_array($right)) {
            return count($left) === count($right) &&
                array_filter(array_map(self::equal(...), $left, $right), fn (bool $same): bool => ! $same) === [];
        }
        if (self::isQuantity($left) && self::isQuantity($right)) {
            return Arithmetic::compare($left, $right) === 0;
        }

        return $left === $right;
    }

    /** @phpstan-assert-if-true int|BigRational|Approximation $value */
    private static function isQuantity(mixed $value): bool
    {
        return is_int($value) || $value instanceof BigRational || $value instanceof Approximation;
    }

    private function isIn(mixed $value, mixed $list, int $offset): bool
    {
        if (! is_array($list)) {
            throw MathsProblem::notAList($offset);
        }
        foreach ($list as $item) {
            if (self::equal($value, $item)) {
                return true;
            }
        }

        return false;
    }

    private function condition(Node $node, int $offset): bool
    {
        $value = $this->value($node);

        return is_bool($value) ? $value : throw MathsProblem::notACondition($offset);
    }

    private function number(Node $node, int $offset): int|BigRational|Approximation
    {
        return $this->quantity($this->value($node), $offset);
    }

    private function quantity(mixed $value, int $offset): int|BigRational|Approximation
    {
        return self::isQuantity($value) ? $value : throw MathsProblem::notANumber(
            match (true) {
                is_bool($value) => Message::of('maths.a-comparison'),
                is_array($value) => Message::of('maths.a-list'),
                default => '"'.(is_string($value) ? $value : '').'"',
            },
            $offset,
        );
    }
}
