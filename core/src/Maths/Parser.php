<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use WideQuarry\Maths\Node\Call;
use WideQuarry\Maths\Node\Literal;
use WideQuarry\Maths\Node\Name;
use WideQuarry\Maths\Node\Negation;
use WideQuarry\Maths\Node\Operation;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/**
 * Recursive descent. comparison := sum [op sum]; sum := product {(+|-) product}; product := unary {(*|/) unary};
 * unary := - unary | power; power := primary [^ unary]; primary := number | "words" | name | name(…) | ( comparison ).
 */
final class Parser
{
    private const TOKEN = '~\G\s*(?:(\d+(?:\.\d+)?(?:[eE][+-]?\d+)?)|([A-Za-z][A-Za-z0-9_]*)|("[^"]*")|(<=|>=|!=|==|[-+*/^(),=<>≤≥≠×÷·−]))~Au';

    private const SAME = ['×' => '*', '·' => '*', '÷' => '/', '−' => '-', '≤' => '<=', '≥' => '>=', '≠' => '!=', '==' => '='];

    private const DEPTH = 100;

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
                $m[2] !== null => ['name', $m[2], $where],
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
        $node = $parser->comparison();

        return $parser->tokens[$parser->at][0] === 'end' ? $node : throw $parser->unexpected(Message::of('maths.operator-end'));
    }

    private function comparison(): Node
    {
        $left = $this->sum();
        $sign = $this->take('=', '!=', '<', '<=', '>', '>=');

        return $sign === null ? $left : new Operation($sign[1], $left, $this->sum(), $sign[2]);
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
        while (($sign = $this->take('*', '/')) !== null) {
            $left = new Operation($sign[1], $left, $this->unary(), $sign[2]);
        }

        return $left;
    }

    private function unary(): Node
    {
        if (++$this->depth > self::DEPTH) {
            throw $this->unexpected(Message::of('maths.fewer-brackets-signs-inside'));
        }
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
        $base = $this->primary();
        $sign = $this->take('^');

        return $sign === null ? $base : new Operation('^', $base, $this->unary(), $sign[2]);
    }

    private function primary(): Node
    {
        [$type, $text, $offset] = $this->tokens[$this->at];
        if ($type === 'number') {
            $this->at++;

            return new Literal(Exact::read($text) ?? throw MathsProblem::tooLarge($offset), $offset);
        }
        if ($type === 'words') {
            $this->at++;

            return new Literal(substr($text, 1, -1), $offset);
        }
        if ($type === 'name') {
            $this->at++;

            return $this->take('(') === null ? new Name($text, $offset) : new Call($text, $this->arguments(), $offset);
        }
        if ($this->take('(') !== null) {
            $inner = $this->comparison();
            $this->need(')');

            return $inner;
        }
        throw $this->unexpected(Message::of('maths.number-name-opening-bracket'));
    }

    /** @return list<Node> */
    private function arguments(): array
    {
        $arguments = [];
        do {
            $arguments[] = $this->comparison();
        } while ($this->take(',') !== null);
        $this->need(')');

        return $arguments;
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
