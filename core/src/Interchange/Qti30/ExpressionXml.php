<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Maths\FunctionTable;
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
        'and' => 'and',
        'or' => 'or',
    ];

    /** Functions that are math operators there, by their names there. */
    private const MATHS = [
        'exp' => 'exp',
        'ln' => 'ln',
        'sin' => 'sin',
        'cos' => 'cos',
        'tan' => 'tan',
        'asin' => 'asin',
        'acos' => 'acos',
        'atan' => 'atan',
        'floor' => 'floor',
        'ceil' => 'ceil',
        'abs' => 'abs',
        'sign' => 'signum',
    ];

    public static function number(BigRational $value): string
    {
        return '<qti-base-value base-type="float">'.ScoreFloats::float($value).'</qti-base-value>';
    }

    public function literal(Literal $node): string
    {
        return match (true) {
            is_bool($node->value) => '<qti-base-value base-type="boolean">'.($node->value ? 'true' : 'false').'</qti-base-value>',
            is_string($node->value) => '<qti-base-value base-type="string">'.Xml::escape($node->value).'</qti-base-value>',
            default => self::number(Arithmetic::exact($node->value)),
        };
    }

    public function name(Name $node): string
    {
        return in_array($node->name, FunctionTable::CONSTANTS, true)
            ? "<qti-math-constant name=\"$node->name\"/>"
            : '<qti-variable identifier="'.Xml::escape($node->name).'"/>';
    }

    public function negation(Negation $node): string
    {
        return '<qti-subtract>'.self::number(Exact::zero()).$node->operand->accept($this).'</qti-subtract>';
    }

    public function operation(Operation $node): string
    {
        $sides = $node->left->accept($this).$node->right->accept($this);
        if ($node->operator === 'in') {
            return "<qti-member>$sides</qti-member>";
        }
        if ($node->operator === '=' || $node->operator === '!=') {
            $isText = array_filter(
                [$node->left, $node->right],
                fn (Node $side): bool => $side instanceof Literal && ! is_int($side->value) && ! ($side->value instanceof BigRational),
            ) !== [];
            $equal = $isText ? "<qti-match>$sides</qti-match>" : "<qti-equal tolerance-mode=\"exact\">$sides</qti-equal>";

            return $node->operator === '!=' ? "<qti-not>$equal</qti-not>" : $equal;
        }
        $name = self::OPERATIONS[$node->operator];

        return "<qti-$name>$sides</qti-$name>";
    }

    public function call(Call $node): string
    {
        $of = array_map(fn (Node $argument): string => $argument->accept($this), $this->spread($node));
        $x = $of[0] ?? '';
        $maths = self::MATHS[$node->name] ?? null;
        if ($maths !== null) {
            return $this->maths($maths, $x);
        }

        return match ($node->name) {
            'min', 'max' => "<qti-$node->name>".implode('', $of)."</qti-$node->name>",
            'sum' => '<qti-sum>'.implode('', $of).'</qti-sum>',
            'mean' => count($of) === 1
                ? "<qti-stats-operator name=\"mean\">$x</qti-stats-operator>"
                : '<qti-divide><qti-sum>'.implode('', $of).'</qti-sum>'.self::number(BigRational::of(count($of))).'</qti-divide>',
            'gcd', 'lcm' => "<qti-$node->name>".
                implode('', array_map(fn (string $one): string => "<qti-round>$one</qti-round>", $of)).
                "</qti-$node->name>",
            'sqrt' => $this->root($x, 2),
            'root' => $this->root($x, $this->constant($node, 1, 2)),
            'log' => count($of) === 1
                ? $this->maths('log', $x)
                : '<qti-divide>'.$this->maths('ln', $x).$this->maths('ln', $of[1]).'</qti-divide>',
            'sind', 'cosd', 'tand' => $this->maths(substr($node->name, 0, 3), $this->maths('toRadians', $x)),
            'asind', 'acosd', 'atand' => $this->maths('toDegrees', $this->maths(substr($node->name, 0, 4), $x)),
            'round' => $this->rounded('decimalPlaces', $this->constant($node, 1, 0), $x),
            'figures' => $this->rounded('significantFigures', $this->constant($node, 1, 1), $x),
            'mod' => "<qti-subtract>$x<qti-product>$of[1]".
                $this->maths('floor', "<qti-divide>$x$of[1]</qti-divide>").
                '</qti-product></qti-subtract>',
            default => throw Unsayable::of($node->name), // binom, and if inside something else
        };
    }

    public function listing(Listing $node): string
    {
        return '<qti-multiple>'.implode('', array_map(fn (Node $item): string => $item->accept($this), $node->items)).'</qti-multiple>';
    }

    public function item(Item $node): string
    {
        $place = $node->place instanceof Literal && is_int($node->place->value) ? $node->place->value : throw Unsayable::of('[ ]');
        if ($node->list instanceof Name) {
            return '<qti-variable identifier="'.Xml::escape($node->list->name).".$place\"/>"; // an item of a sample
        }
        $list = str_replace('qti-multiple>', 'qti-ordered>', $node->list->accept($this));

        return "<qti-index n=\"$place\">$list</qti-index>";
    }

    public function not(Not $node): string
    {
        return '<qti-not>'.$node->operand->accept($this).'</qti-not>';
    }

    public function factorial(Factorial $node): string
    {
        throw Unsayable::of('!');
    }

    private function maths(string $name, string $of): string
    {
        return "<qti-math-operator name=\"$name\">$of</qti-math-operator>";
    }

    /** Of a negative number there is no power by a fraction, and an odd root is one. */
    private function root(string $x, int $n): string
    {
        // a fraction, since its decimal would not be read back as one
        $share = '<qti-divide>'.self::number(Exact::one()).self::number(BigRational::of($n)).'</qti-divide>';
        $root = fn (string $of): string => "<qti-power>$of$share</qti-power>";

        return $n % 2 === 0
            ? $root($x)
            : '<qti-product>'.$this->maths('signum', $x).$root($this->maths('abs', $x)).'</qti-product>';
    }

    private function rounded(string $mode, int $figures, string $x): string
    {
        return "<qti-round-to rounding-mode=\"$mode\" figures=\"$figures\">$x</qti-round-to>";
    }

    /** An argument that has to be a number there. @throws Unsayable */
    private function constant(Call $node, int $at, int $default): int
    {
        $argument = $node->arguments[$at] ?? null;
        if ($argument === null) {
            return $default;
        }

        return $argument instanceof Literal && is_int($argument->value) ? $argument->value : throw Unsayable::of($node->name);
    }

    /** @return list<Node> arguments, the items of a list among them */
    private function spread(Call $node): array
    {
        return array_merge(
            ...array_map(fn (Node $argument): array => $argument instanceof Listing ? $argument->items : [$argument], $node->arguments),
            ...[[]],
        );
    }
}
