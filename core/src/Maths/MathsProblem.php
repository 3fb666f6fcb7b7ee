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

    public static function functionAsName(string $name, int $offset): self
    {
        return new self('expression.unknown_name', Message::of('maths.function-needs-brackets', ['name' => $name]), $offset);
    }

    public static function nameAsFunction(string $name, int $offset): self
    {
        return new self('expression.unknown_function', Message::of('maths.value-before-bracket', ['name' => $name]), $offset);
    }

    public static function cannot(ArithmeticProblem $problem, int $offset): self
    {
        return new self($problem->reason, match ($problem->reason) {
            'division.by_zero' => Message::of('maths.divides-zero'),
            'root.of_negative' => Message::of('maths.root-of-negative'),
            'logarithm.not_positive' => Message::of('maths.logarithm-not-positive'),
            'angle.outside_one' => Message::of('maths.angle-outside-one'),
            'number.not_whole' => Message::of('maths.whole-number-needed'),
            default => Message::of('maths.number-grows-beyond-4'),
        }, $offset);
    }

    public static function notACondition(int $offset): self
    {
        return new self('expression.not_a_condition', Message::of('maths.not-a-condition'), $offset);
    }

    public static function notAList(int $offset): self
    {
        return new self('expression.not_a_list', Message::of('maths.not-a-list'), $offset);
    }

    public static function noSuchItem(int $count, int $offset): self
    {
        return new self('list.no_such_item', Message::of('maths.no-such-item', ['count' => $count]), $offset);
    }

    public static function notANumber(string $what, int $offset): self
    {
        return new self('expression.not_a_number', Message::of('maths.not-a-number', ['what' => $what]), $offset);
    }

    /** @param  string  $signature  as FunctionTable has it */
    public static function arguments(string $name, string $signature, int $offset): self
    {
        return new self(
            'expression.arguments',
            Message::of('maths.given-wrong-number-values', ['name' => $name, 'takes' => $name.'('.strtr($signature, ['?' => '']).')']),
            $offset,
        );
    }
}
