<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Maths\NodeVisitor;
use WideQuarry\Numbers\Exact;

/**
 * An expression over variables as one of QTI (3.0 ASI, 2.12).
 *
 * @implements NodeVisitor<string>
 */
final class ExpressionXml implements NodeVisitor
{
    private const OPERATIONS = [
        '+' => 'sum',
        '-' => 'subtract',
        '*' => 'product',
        '/' => 'divide',
        '^' => 'power',
        '<' => 'lt',
        '<=' => 'lte',
        '>' => 'gt',
        '>=' => 'gte',
        '=' => 'equal',
        '!=' => 'equal',
    ];

    public static function number(BigRational $value): string
    {
        return '<qti-base-value base-type="float">'.ScoreFloats::float($value).'</qti-base-value>';
    }

    public function literal(Literal $node): string
    {
        return $node->value instanceof BigRational
            ? self::number($node->value)
            : '<qti-base-value base-type="string">'.Xml::escape($node->value).'</qti-base-value>';
    }

    public function name(Name $node): string
    {
        return '<qti-variable identifier="'.Xml::escape($node->name).'"/>';
    }

    public function negation(Negation $node): string
    {
        return '<qti-subtract>'.self::number(Exact::zero()).$node->operand->accept($this).'</qti-subtract>';
    }

    public function operation(Operation $node): string
    {
        $name = 'qti-'.self::OPERATIONS[$node->operator];
        $exact = str_ends_with($name, 'equal') ? ' tolerance-mode="exact"' : '';
        $xml = "<$name$exact>".$node->left->accept($this).$node->right->accept($this)."</$name>";

        return $node->operator === '!=' ? "<qti-not>$xml</qti-not>" : $xml;
    }

    public function call(Call $node): string
    {
        $arguments = implode(
            '',
            array_map(
                fn ($argument): string => $argument->accept($this),
                $node->name === 'round' ? array_slice($node->arguments, 0, 1) : $node->arguments,
            ),
        );
        $places =
            $node->name === 'round' &&
            ($node->arguments[1] ?? null) instanceof Literal &&
            $node->arguments[1]->value instanceof BigRational
                ? (string) $node->arguments[1]->value->simplified()
                : '0';

        return match ($node->name) {
            'round' => "<qti-round-to rounding-mode=\"decimalPlaces\" figures=\"$places\">$arguments</qti-round-to>",
            'min', 'max' => "<qti-$node->name>$arguments</qti-$node->name>",
            // floor, ceil, abs are called the same there
            default => "<qti-math-operator name=\"$node->name\">$arguments</qti-math-operator>",
        };
    }
}
