<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigRational;
use Brick\Math\RoundingMode;
use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Numbers\Exact;

/**
 * Works out an expression exactly. Values are numbers, words or true and false.
 *
 * @implements NodeVisitor<BigRational|string|bool>
 */
final readonly class Evaluator implements NodeVisitor
{
    private const DIGITS = 4000;

    /** @param  array<string, BigRational|string|bool>  $values */
    public function __construct(private array $values)
    {
    }

    /** @throws MathsProblem */
    public function value(Node $node): BigRational|string|bool
    {
        return $node->accept($this);
    }

    public function literal(Literal $node): BigRational|string
    {
        return $node->value;
    }

    public function name(Name $node): BigRational|string|bool
    {
        return $this->values[$node->name] ?? throw MathsProblem::unknownName($node->name, $node->offset);
    }

    public function negation(Negation $node): BigRational
    {
        return $this->number($node->operand, $node->offset)->negated();
    }

    public function operation(Operation $node): BigRational|bool
    {
        if ($node->operator === '=' || $node->operator === '!=') {
            return $this->equal($this->value($node->left), $this->value($node->right)) === ($node->operator === '=');
        }
        $left = $this->number($node->left, $node->offset);
        $right = $this->number($node->right, $node->offset);

        return match ($node->operator) {
            '<' => $left->isLessThan($right),
            '<=' => $left->isLessThanOrEqualTo($right),
            '>' => $left->isGreaterThan($right),
            '>=' => $left->isGreaterThanOrEqualTo($right),
            '+' => $this->bounded($left->plus($right), $node->offset),
            '-' => $this->bounded($left->minus($right), $node->offset),
            '*' => $this->bounded($left->multipliedBy($right), $node->offset),
            '/' => $right->isZero()
                ? throw MathsProblem::division($node->offset)
                : $this->bounded($left->dividedBy($right), $node->offset),
            '^' => $this->power($left, $right, $node->offset),
            default => throw new \LogicException("No such operator: $node->operator"),
        };
    }

    public function call(Call $node): BigRational
    {
        $values = array_map(fn (Node $argument): BigRational => $this->number($argument, $node->offset), $node->arguments);
        $count = count($values);
        $fits = match ($node->name) {
            'round' => $count <= 2,
            'floor', 'ceil', 'abs' => $count === 1,
            'min', 'max' => $count >= 1,
            default => throw MathsProblem::unknownFunction($node->name, $node->offset),
        };
        if (! $fits || $count === 0) {
            throw MathsProblem::arguments($node->name, $node->offset);
        }

        return match ($node->name) {
            'round' => $this->rounded($values[0], $values[1] ?? Exact::zero(), $node->offset),
            'floor' => $values[0]->toScale(0, RoundingMode::FLOOR)->toBigRational(),
            'ceil' => $values[0]->toScale(0, RoundingMode::CEILING)->toBigRational(),
            'abs' => $values[0]->abs(),
            'min' => array_reduce($values, fn (BigRational $a, BigRational $b): BigRational => $b->isLessThan($a) ? $b : $a, $values[0]),
            default => array_reduce(
                $values,
                fn (BigRational $a, BigRational $b): BigRational => $b->isGreaterThan($a) ? $b : $a,
                $values[0],
            ),
        };
    }

    private function number(Node $node, int $offset): BigRational
    {
        $value = $this->value($node);

        return $value instanceof BigRational
            ? $value
            : throw MathsProblem::notANumber(is_bool($value) ? 'A comparison' : "\"$value\"", $offset);
    }

    private function equal(BigRational|string|bool $left, BigRational|string|bool $right): bool
    {
        return $left instanceof BigRational && $right instanceof BigRational ? $left->isEqualTo($right) : $left === $right;
    }

    private function power(BigRational $base, BigRational $exponent, int $offset): BigRational
    {
        $exponent = $exponent->simplified();
        if (! $exponent->getDenominator()->isEqualTo(1) || $exponent->abs()->isGreaterThan(400)) {
            throw MathsProblem::power($offset);
        }
        $times = $exponent->getNumerator()->toInt();
        if ($times < 0 && $base->isZero()) {
            throw MathsProblem::division($offset);
        }
        if (abs($times) * max(strlen((string) $base->getNumerator()), strlen((string) $base->getDenominator())) > 2 * self::DIGITS) {
            throw MathsProblem::tooLarge($offset);
        }

        return $this->bounded($times < 0 ? $base->power(-$times)->reciprocal() : $base->power($times), $offset);
    }

    private function rounded(BigRational $value, BigRational $places, int $offset): BigRational
    {
        $places = $places->simplified();
        if (! $places->getDenominator()->isEqualTo(1) || $places->abs()->isGreaterThan(30)) {
            throw MathsProblem::power($offset);
        }
        $step = BigRational::of(10)->power(abs($places->getNumerator()->toInt()));

        return Exact::toStep($value, $places->isNegative() ? $step : $step->reciprocal());
    }

    private function bounded(BigRational $value, int $offset): BigRational
    {
        $value = $value->simplified();

        return $value->getNumerator()->getBitLength() + $value->getDenominator()->getBitLength() > self::DIGITS * 4
            ? throw MathsProblem::tooLarge($offset)
            : $value;
    }
}
