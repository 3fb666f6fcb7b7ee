<?php

declare(strict_types=1);

namespace WideQuarry\Random;

/** The seed of a presentation or a roll: 0 to 2^53 − 1, so that every language at hand can hold it. */
final readonly class Seed
{
    public const MAX = 9007199254740991;

    private function __construct(public int $value)
    {
    }

    /** @throws \OutOfRangeException */
    public static function of(int $value): self
    {
        return $value >= 0 && $value <= self::MAX
            ? new self($value)
            : throw new \OutOfRangeException('A seed is a whole number from 0 to '.self::MAX.", got $value.");
    }

    /** The values of one purpose for one part or variable. */
    public function stream(string $purpose, string $name): Stream
    {
        return new Stream("wq1:$this->value", "$purpose|$name");
    }
}
