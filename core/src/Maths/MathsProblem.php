<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

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
            Message::of('maths.unexpected', [
                'offset' => $offset + 1,
                'expected' => $expected,
                'end' => $found === '' ? 'yes' : 'no',
                'found' => $found,
            ]),
            $offset,
        );
    }

    public static function unknownName(string $name, int $offset): self
    {
        return new self('expression.unknown_name', Message::of('maths.no-variable-before', ['name' => $name]), $offset);
    }

    public static function unknownFunction(string $name, int $offset): self
    {
        return new self(
            'expression.unknown_function',
            Message::of('maths.function-cannot-worked-out', ['name' => $name]),
            $offset,
        );
    }

    public static function division(int $offset): self
    {
        return new self('expression.division_by_zero', Message::of('maths.divides-zero'), $offset);
    }

    public static function power(int $offset): self
    {
        return new self('expression.power', Message::of('maths.power-must-whole-number'), $offset);
    }

    public static function tooLarge(int $offset): self
    {
        return new self('expression.too_large', Message::of('maths.number-grows-beyond-4'), $offset);
    }

    public static function notANumber(string $what, int $offset): self
    {
        return new self('expression.not_a_number', Message::of('maths.not-a-number', ['what' => $what]), $offset);
    }

    public static function arguments(string $name, int $offset): self
    {
        return new self('expression.arguments', Message::of('maths.given-wrong-number-values', ['name' => $name]), $offset);
    }
}
