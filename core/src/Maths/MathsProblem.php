<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use WideQuarry\CoreException;

/** An expression that cannot be read or worked out; $offset is where, in characters from 0. */
final class MathsProblem extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly int $offset = 0)
    {
        parent::__construct($message);
    }

    public static function unexpected(string $found, string $expected, int $offset): self
    {
        return new self(
            'expression.syntax',
            'At character '.($offset + 1).": expected $expected, found ".($found === '' ? 'the end' : "\"$found\"").'.',
            $offset,
        );
    }

    public static function unknownName(string $name, int $offset): self
    {
        return new self('expression.unknown_name', "There is no variable called \"$name\" before this one.", $offset);
    }

    public static function unknownFunction(string $name, int $offset): self
    {
        return new self(
            'expression.unknown_function',
            "The function \"$name\" cannot be worked out here. Known are round, floor, ceil, abs, min and max.",
            $offset,
        );
    }

    public static function division(int $offset): self
    {
        return new self('expression.division_by_zero', 'This divides by zero.', $offset);
    }

    public static function power(int $offset): self
    {
        return new self('expression.power', 'A power must be a whole number from -400 to 400.', $offset);
    }

    public static function tooLarge(int $offset): self
    {
        return new self('expression.too_large', 'A number grows beyond 4,000 digits here.', $offset);
    }

    public static function notANumber(string $what, int $offset): self
    {
        return new self('expression.not_a_number', "$what is not a number, so it cannot be reckoned with.", $offset);
    }

    public static function arguments(string $name, int $offset): self
    {
        return new self('expression.arguments', "\"$name\" was given the wrong number of values.", $offset);
    }
}
