<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use Brick\Math\BigRational;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Malformed;
use WideQuarry\Maths\Approximation;
use WideQuarry\Maths\Arithmetic;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;

/** A value as an author wrote it: text, or an expression over the variables. */
final readonly class Value
{
    private function __construct(private string $text, private bool $isExpression, public string $path)
    {
    }

    /** How long an exact number as text may be. */
    private const NUMBER = 200;

    /**
     * A number.
     *
     * @throws Malformed
     */
    public static function readNumber(mixed $json, string $path): self
    {
        return self::read($json, $path, self::NUMBER);
    }

    /** @throws Malformed */
    public static function read(mixed $json, string $path, int $max = 1000): self
    {
        if (is_string($json)) {
            return mb_strlen($json) <= $max
                ? new self($json, false, $path)
                : throw Malformed::outOfRange($path, Message::of('variables.most-characters', ['max' => $max]), $json);
        }
        if (! ($json instanceof \stdClass)) {
            throw Malformed::wrongType($path, Message::of('variables.text'), $json);
        }

        return new self(
            Fields::of($json, $path, ['expr'])
                ->need('expr')
                ->string('expr'),
            true,
            $path,
        );
    }

    public function isExpression(): bool
    {
        return $this->isExpression;
    }

    /** As the author wrote it. */
    public function source(): string
    {
        return $this->text;
    }

    /** An approximate value counts as its decimal of 30 figures. @throws RollProblem */
    public function number(Roll $roll): BigRational
    {
        if (! $this->isExpression) {
            return Exact::read(trim($this->text)) ?? throw RollProblem::unreadable($this->text, $this->path);
        }
        $value = $this->evaluated($roll);

        return match (true) {
            is_string($value) => throw RollProblem::unreadable($value, $this->path),
            is_bool($value) => throw RollProblem::unreadable(Message::of('variables.true-false'), $this->path),
            is_array($value) => throw RollProblem::unreadable(Message::of('variables.list'), $this->path),
            default => Arithmetic::rational($value),
        };
    }

    /** @throws RollProblem */
    public function words(Roll $roll, string $language): string
    {
        if (! $this->isExpression) {
            return $this->text;
        }

        return $roll->written[trim($this->text)] ?? ValueFormat::plain()->write($this->evaluated($roll), $language);
    }

    /** @return int|BigRational|Approximation|string|bool|list<mixed> */
    private function evaluated(Roll $roll): int|BigRational|Approximation|string|bool|array
    {
        try {
            return $roll->evaluate($this->text);
        } catch (MathsProblem $problem) {
            throw RollProblem::expression($problem, $this->path);
        }
    }
}
