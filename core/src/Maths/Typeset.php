<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use Brick\Math\BigRational;
use WideQuarry\Content\Element;
use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Factorial;
use WideQuarry\Maths\Node\Item;
use WideQuarry\Maths\Node\Listing;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Not;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Numbers\Exact;

/**
 * An expression as MathML (MathML Core), as it was understood: with the brackets it needs and no others.
 *
 * @implements NodeVisitor<list<Element>>
 */
final readonly class Typeset implements NodeVisitor
{
    private const BINDS = [
        'or' => 1, 'and' => 2, '=' => 4, '!=' => 4, '<' => 4, '<=' => 4, '>' => 4, '>=' => 4, 'in' => 4, '+' => 5, '-' => 5, '*' => 6,
        '/' => 10, '^' => 8,
    ];

    private const SIGNS = ['!=' => '≠', '<=' => '≤', '>=' => '≥', '-' => '−', 'in' => '∈'];

    /** Brackets around a condition that is not, and around what is negated. */
    private const NOT = 3;

    private const NEGATION = 7;

    private const ATOM = 10;

    public static function maths(Node $node): Element
    {
        return new Element('math', [], $node->accept(new self));
    }

    public function literal(Literal $node): array
    {
        $value = $node->value;
        if (is_string($value) || is_bool($value)) {
            return [new Element('mtext', [], [is_bool($value) ? ($value ? 'true' : 'false') : "“{$value}”"])];
        }

        return [new Element('mn', [], [Exact::decimal(Arithmetic::exact($value)) ?? Exact::text(Arithmetic::exact($value))])];
    }

    public function name(Name $node): array
    {
        [$letters, $below] = [...explode('_', $node->name, 2), ''];
        $name = new Element('mi', [], [$node->name === 'pi' ? 'π' : ($below === '' ? $node->name : $letters)]);

        return [$below === '' ? $name : new Element('msub', [], [$name, new Element('mi', [], [$below])])];
    }

    public function negation(Negation $node): array
    {
        return [self::sign('−'), ...$this->within($node->operand, self::NEGATION)];
    }

    public function operation(Operation $node): array
    {
        if ($node->operator === '/') {
            return [new Element('mfrac', [], [$this->row($node->left), $this->row($node->right)])];
        }
        if ($node->operator === '^') {
            return [new Element('msup', [], [self::rowOf($this->within($node->left, self::ATOM)), $this->row($node->right)])];
        }
        $binds = self::BINDS[$node->operator];
        $left = $this->within($node->left, $binds);
        $right = $this->within($node->right, $node->operator === '-' || $node->operator === '*' ? $binds + 1 : $binds);
        $sign = match (true) {
            $node->operator === '*' => [self::times($left, $right)],
            isset(self::SIGNS[$node->operator]) => [self::sign(self::SIGNS[$node->operator])],
            $binds <= 2 => [new Element('mtext', [], ["\u{A0}$node->operator\u{A0}"])],
            default => [self::sign($node->operator)],
        };

        return [...$left, ...$sign, ...$right];
    }

    public function call(Call $node): array
    {
        $first = $node->arguments[0] ?? null;
        $second = $node->arguments[1] ?? null;

        return match (true) {
            $first === null => [new Element('mi', [], [$node->name]), self::sign('('), self::sign(')')],
            $node->name === 'sqrt' => [new Element('msqrt', [], $first->accept($this))],
            $node->name === 'root' && $second !== null => [new Element('mroot', [], [$this->row($first), $this->row($second)])],
            $node->name === 'abs' => [self::sign('|'), ...$first->accept($this), self::sign('|')],
            $node->name === 'exp' => [new Element('msup', [], [new Element('mi', [], ['e']), $this->row($first)])],
            $node->name === 'log' && $second !== null => [
                new Element('msub', [], [new Element('mi', [], ['log']), $this->row($second)]),
                ...self::bracketed($first->accept($this)),
            ],
            default => [new Element('mi', [], [$node->name]), ...self::bracketed($this->listed($node->arguments))],
        };
    }

    public function listing(Listing $node): array
    {
        return self::bracketed($this->listed($node->items), '[', ']');
    }

    public function item(Item $node): array
    {
        return [new Element('msub', [], [self::rowOf($this->within($node->list, self::ATOM)), $this->row($node->place)])];
    }

    public function not(Not $node): array
    {
        return [new Element('mtext', [], ["not\u{A0}"]), ...$this->within($node->operand, self::NOT)];
    }

    public function factorial(Factorial $node): array
    {
        return [...$this->within($node->operand, self::ATOM), self::sign('!')];
    }

    /** @return list<Element> in brackets where it binds less than it needs to */
    private function within(Node $node, int $binds): array
    {
        $own = match (true) {
            $node instanceof Operation => self::BINDS[$node->operator],
            $node instanceof Negation => self::NEGATION,
            $node instanceof Not => self::NOT,
            $node instanceof Literal && $node->value instanceof BigRational && Exact::decimal($node->value) === null => 6,
            default => self::ATOM,
        };
        // a fraction under a power stands in brackets, though it needs none beside a sign
        $isFraction = $binds === self::ATOM && $node instanceof Operation;

        return $own < $binds || $isFraction ? self::bracketed($node->accept($this)) : $node->accept($this);
    }

    private function row(Node $node): Element
    {
        return self::rowOf($node->accept($this));
    }

    /** @param  list<Element>  $parts */
    private static function rowOf(array $parts): Element
    {
        return count($parts) === 1 ? $parts[0] : new Element('mrow', [], $parts);
    }

    /**
     * @param  list<Element>  $inside
     * @return list<Element>
     */
    private static function bracketed(array $inside, string $open = '(', string $close = ')'): array
    {
        return [self::sign($open), ...$inside, self::sign($close)];
    }

    /**
     * @param  list<Node>  $nodes
     * @return list<Element>
     */
    private function listed(array $nodes): array
    {
        $listed = [];
        foreach ($nodes as $i => $node) {
            array_push($listed, ...$i === 0 ? [] : [self::sign(',')], ...$node->accept($this));
        }

        return $listed;
    }

    /**
     * Nothing between letters, a cross before digits, and a point where a word would run into another.
     *
     * @param  list<Element>  $left
     * @param  list<Element>  $right
     */
    private static function times(array $left, array $right): Element
    {
        $isWord = fn (?Element $side): bool => $side?->name === 'mi' && is_string($side->children[0]) && mb_strlen($side->children[0]) > 1;

        return self::sign(match (true) {
            ($right[0]->name ?? '') === 'mn' => '×',
            $isWord($left[count($left) - 1] ?? null), $isWord($right[0] ?? null) => '·',
            default => "\u{2062}",
        });
    }

    private static function sign(string $sign): Element
    {
        return new Element('mo', [], [$sign]);
    }
}
