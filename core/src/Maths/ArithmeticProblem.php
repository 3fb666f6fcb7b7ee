<?php

declare(strict_types=1);

namespace WideQuarry\Maths;

/** Something that cannot be worked out, before it is known where it stands in the expression. */
final class ArithmeticProblem extends \DomainException
{
    private function __construct(public readonly string $reason)
    {
        parent::__construct($reason);
    }

    public static function division(): self
    {
        return new self('division.by_zero');
    }

    public static function rootOfNegative(): self
    {
        return new self('root.of_negative');
    }

    public static function logarithm(): self
    {
        return new self('logarithm.not_positive');
    }

    public static function outsideOne(): self
    {
        return new self('angle.outside_one');
    }

    public static function tooLarge(): self
    {
        return new self('expression.too_large');
    }

    public static function notWhole(): self
    {
        return new self('number.not_whole');
    }
}
