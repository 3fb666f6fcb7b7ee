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
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/**
 * Recursive descent. condition := both {or both}; both := negated {and negated}; negated := not negated | comparison;
 * comparison := sum {op sum} [in sum]; sum := product {(+|-) product}; product := unary {(*|/| ) unary}; unary := - unary | power;
 * power := item [^ unary]; item := primary {[ condition ] | !}; primary := number | "words" | name | name(…) | ( condition ) | [ … ].
 * A number or a bracket before a name or a bracket is multiplied by it: 2x, 3(a + b). It binds no tighter than a sign, so 1/2x is x/2.
 */
final class Parser
{
    private const TOKEN = '~\G\s*(?:(\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)|([A-Za-z][A-Za-z0-9_]*|π)|("(?:[^"]|"")*+")|'.
        '(<=|>=|!=|==|[-+*/^(),=<>≤≥≠×÷·−![\]]))~Au';

    private const SAME = [
        '×' => '*', '·' => '*', '÷' => '/', '−' => '-', '≤' => '<=', '≥' => '>=', '≠' => '!=', '==' => '=', 'π' => 'pi',
    ];

    private const DEPTH = 200; // a bracket is two steps

    /** @var list<array{string, string, int}> type, text, offset in characters */
    private array $tokens = [];

    private int $at = 0;

    private int $depth = 0;

    private function __construct(string $text)
    {
        $offset = 0;
        while (trim(substr($text, $offset)) !== '') {
            $where = mb_strlen(substr($text, 0, $offset + strspn($text, " \t\r\n", $offset)));
            if (preg_match(self::TOKEN, $text, $m, PREG_UNMATCHED_AS_NULL, $offset) !== 1) {
                throw MathsProblem::unexpected(
                    mb_substr(ltrim(substr($text, $offset)), 0, 1),
                    Message::of('maths.number-name-sign'),
                    $where,
                );
            }
            $offset += strlen((string) $m[0]);
            $this->tokens[] = match (true) {
                $m[1] !== null => ['number', $m[1], $where],
                $m[2] !== null => ['name', self::SAME[$m[2]] ?? $m[2], $where],
                $m[3] !== null => ['words', $m[3], $where],
                default => ['sign', self::SAME[(string) $m[4]] ?? (string) $m[4], $where],
            };
        }
        $this->tokens[] = ['end', '', mb_strlen($text)];
    }

    /** @throws MathsProblem naming the place and what was expected */
    public static function parse(string $text): Node
    {
        $parser = new self($text);
        $node = $parser->condition();

        return $parser->tokens[$parser->at][0] === 'end' ? $node : throw $parser->unexpected(Message::of('maths.operator-end'));
    }

    private function condition(): Node
    {
        $left = $this->both();
        while (($word = $this->takeWord('or')) !== null) {
            $left = new Operation('or', $left, $this->both(), $word[2]);
        }

        return $left;
    }

    private function both(): Node
    {
        $left = $this->negated();
        while (($word = $this->takeWord('and')) !== null) {
            $left = new Operation('and', $left, $this->negated(), $word[2]);
        }

        return $left;
    }

    private function negated(): Node
    {
        $this->deeper();
        $word = $this->takeWord('not');
        $node = $word === null ? $this->comparison() : new Not($this->negated(), $word[2]);
        $this->depth--;

        return $node;
    }

    /** Several in a row hold together: 0 < x ≤ 3. */
    private function comparison(): Node
    {
        $left = $this->sum();
        $in = $this->takeWord('in');
        if ($in !== null) {
            return new Operation('in', $left, $this->sum(), $in[2]);
        }
        $all = null;
        while (($sign = $this->take('=', '!=', '<', '<=', '>', '>=')) !== null) {
            $right = $this->sum();
            $one = new Operation($sign[1], $left, $right, $sign[2]);
            $all = $all === null ? $one : new Operation('and', $all, $one, $sign[2]);
            $left = $right;
        }

        return $all ?? $left;
    }

    private function sum(): Node
    {
        $left = $this->product();
        while (($sign = $this->take('+', '-')) !== null) {
            $left = new Operation($sign[1], $left, $this->product(), $sign[2]);
        }

        return $left;
    }

    private function product(): Node
    {
        $left = $this->unary();
        while (true) {
            $sign = $this->take('*', '/') ?? ($this->isProduct() ? ['sign', '*', $this->tokens[$this->at][2]] : null);
            if ($sign === null) {
                return $left;
            }
            $left = new Operation($sign[1], $left, $this->unary(), $sign[2]);
        }
    }

    /** Whether a factor follows without a sign: a name or a bracket after a number or a bracket. */
    private function isProduct(): bool
    {
        [$type, $text] = $this->tokens[$this->at];
        [$before, $sign] = $this->tokens[max(0, $this->at - 1)];
        $isName = $type === 'name' && ! in_array($text, ['and', 'or', 'in'], true);

        return ($before === 'number' || $sign === ')') && ($isName || $text === '(');
    }

    private function unary(): Node
    {
        $this->deeper();
        $sign = $this->take('-', '+');
        $node = match (true) {
            $sign === null => $this->power(),
            $sign[1] === '-' => new Negation($this->unary(), $sign[2]),
            default => $this->unary(),
        };
        $this->depth--;

        return $node;
    }

    private function power(): Node
    {
        $base = $this->item();
        $sign = $this->take('^');

        return $sign === null ? $base : new Operation('^', $base, $this->unary(), $sign[2]);
    }

    private function item(): Node
    {
        $node = $this->primary();
        while (($sign = $this->take('[', '!')) !== null) {
            if ($sign[1] === '!') {
                $node = new Factorial($node, $sign[2]);
            } else {
                $node = new Item($node, $this->condition(), $sign[2]);
                $this->need(']');
            }
        }

        return $node;
    }

    private function primary(): Node
    {
        [$type, $text, $offset] = $this->tokens[$this->at];
        if ($type === 'number') {
            $this->at++;
            $number = Exact::read($text) ?? throw MathsProblem::cannot(ArithmeticProblem::tooLarge(), $offset);

            return new Literal(Arithmetic::tidy($number), $offset);
        }
        if ($type === 'words') {
            $this->at++;

            return new Literal(str_replace('""', '"', substr($text, 1, -1)), $offset);
        }
        if ($type === 'name' && ! in_array($text, ['and', 'or', 'in', 'not'], true)) {
            $this->at++;
            if ($text === 'true' || $text === 'false') {
                return new Literal($text === 'true', $offset);
            }

            return $this->take('(') === null ? new Name($text, $offset) : new Call($text, $this->listed(')'), $offset);
        }
        if ($this->take('(') !== null) {
            $inner = $this->condition();
            $this->need(')');

            return $inner;
        }
        if ($this->take('[') !== null) {
            return new Listing($this->listed(']'), $offset);
        }
        throw $this->unexpected(Message::of('maths.number-name-opening-bracket'));
    }

    /** @return list<Node> up to a closing bracket */
    private function listed(string $end): array
    {
        $items = [];
        if ($this->take($end) !== null) {
            return [];
        }
        do {
            $items[] = $this->condition();
        } while ($this->take(',') !== null);
        $this->need($end);

        return $items;
    }

    /** @throws MathsProblem */
    private function deeper(): void
    {
        if (++$this->depth > self::DEPTH) {
            throw $this->unexpected(Message::of('maths.fewer-brackets-signs-inside'));
        }
    }

    /** @return array{string, string, int}|null */
    private function takeWord(string $word): ?array
    {
        [$type, $text] = $this->tokens[$this->at];

        return $type === 'name' && $text === $word ? $this->tokens[$this->at++] : null;
    }

    /** @return array{string, string, int}|null */
    private function take(string ...$signs): ?array
    {
        $token = $this->tokens[$this->at];

        return $token[0] === 'sign' && in_array($token[1], $signs, true) ? $this->tokens[$this->at++] : null;
    }

    private function need(string $sign): void
    {
        $this->take($sign) ?? throw $this->unexpected("\"$sign\"");
    }

    private function unexpected(string $expected): MathsProblem
    {
        return MathsProblem::unexpected($this->tokens[$this->at][1], $expected, $this->tokens[$this->at][2]);
    }
}
