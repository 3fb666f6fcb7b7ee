<?php

declare(strict_types=1);

namespace WideQuarry\Variables;

use WideQuarry\CoreException;
use WideQuarry\Maths\MathsProblem;

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
            $text === '' ? 'A number is missing here.' : "\"$text\" is not an exact number such as 3/4 or 0.1.",
            $path,
        );
    }

    public static function emptyRange(string $name, string $path): self
    {
        return new self('variable.empty', "There is no value that \"$name\" could take.", $path);
    }

    public static function stepTooSmall(string $name, string $path): self
    {
        return new self('variable.step', "The step of \"$name\" must be above 0 and leave at most 2,000,000,000 values.", $path);
    }

    public static function notWhole(string $name, string $path): self
    {
        return new self('variable.not_whole', "\"$name\" is a whole number, so its ends and its step must be whole.", $path);
    }

    public static function unavailable(string $kind, string $path): self
    {
        return new self('variable.kind_unavailable', "Variables of the kind \"$kind\" cannot be drawn yet.", $path);
    }

    public static function repeated(string $name, string $path): self
    {
        return new self('variable.repeated', "There are two variables called \"$name\".", $path);
    }

    public static function expression(MathsProblem $problem, string $path): self
    {
        return new self($problem->rule, $problem->getMessage(), $path);
    }

    public static function noCondition(string $path): self
    {
        return new self('variable.condition', 'A condition must compare: use =, <, >, ≤, ≥ or ≠.', $path);
    }

    public static function neverMet(int $tries, string $path): self
    {
        return new self('variable.conditions_not_met', "In $tries tries no values met the conditions.", $path);
    }
}
