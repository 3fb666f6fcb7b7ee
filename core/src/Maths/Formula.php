<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

/** An expression read once and worked out many times. */
final class Formula
{
    private const KEPT = 2000;

    /** @var array<string, self> */
    private static array $made = [];

    /** @var list<string>|null */
    private ?array $names = null;

    private function __construct(public readonly Node $node)
    {
    }

    /** @throws MathsProblem naming the place and what was expected */
    public static function of(string $text): self
    {
        if (count(self::$made) > self::KEPT) {
            self::$made = [];
        }

        return self::$made[$text] ??= new self(Parser::parse($text));
    }

    /** @return list<string> names that stand in it, each once */
    public function names(): array
    {
        return $this->names ??= array_values(array_unique($this->node->accept(new NamesIn)));
    }

    /**
     * @param  array<string, int|\Brick\Math\BigRational|Approximation|string|bool|list<mixed>>  $values
     * @return int|\Brick\Math\BigRational|Approximation|string|bool|list<mixed>
     *
     * @throws MathsProblem
     */
    public function value(array $values): int|\Brick\Math\BigRational|Approximation|string|bool|array
    {
        return (new Evaluator($values))->value($this->node);
    }
}
