<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\CoreException;
use WideQuarry\Maths\MathsProblem;
use WideQuarry\Messages\Message;

/** Values that cannot be drawn, with the place in the question. */
final class RollProblem extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path)
    {
        parent::__construct($message);
    }

    public static function unreadable(string $text, string $path): self
    {
        return new self(
            'value.unreadable',
            $text === '' ? Message::of('variables.number-missing') : Message::of('variables.not-an-exact-number', ['text' => $text]),
            $path,
        );
    }

    public static function emptyRange(string $name, string $path): self
    {
        return new self('variable.empty', Message::of('variables.no-value-could-take', ['name' => $name]), $path);
    }

    public static function stepTooSmall(string $name, string $path): self
    {
        return new self('variable.step', Message::of('variables.step-must-above-0', ['name' => $name]), $path);
    }

    public static function notWhole(string $name, string $path): self
    {
        return new self('variable.not_whole', Message::of('variables.whole-number-ends-step', ['name' => $name]), $path);
    }

    public static function unavailable(string $kind, string $path): self
    {
        return new self('variable.kind_unavailable', Message::of('variables.variables-kind-cannot-drawn', ['kind' => $kind]), $path);
    }

    public static function repeated(string $name, string $path): self
    {
        return new self('variable.repeated', Message::of('variables.two-variables-called', ['name' => $name]), $path);
    }

    public static function expression(MathsProblem $problem, string $path): self
    {
        return new self($problem->rule, $problem->getMessage(), $path);
    }

    public static function noCondition(string $path): self
    {
        return new self('variable.condition', Message::of('variables.condition-must-compare-use'), $path);
    }

    public static function neverMet(int $tries, string $path): self
    {
        return new self('variable.conditions_not_met', Message::of('variables.no-values-met-conditions', ['tries' => $tries]), $path);
    }
}
