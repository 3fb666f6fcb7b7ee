<?php

declare(strict_types=1);

namespace WideQuarry\Units;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** A unit that is not known, or could be two. */
final class UnitProblem extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message)
    {
        parent::__construct($message);
    }

    public static function unknown(string $typed, ?string $suggestion): self
    {
        return new self('unit.unknown', $suggestion === null
            ? Message::of('units.unknown', ['typed' => $typed])
            : Message::of('units.unknown-perhaps', ['typed' => $typed, 'suggestion' => $suggestion]));
    }

    public static function ambiguous(string $typed, string $one, string $other): self
    {
        return new self('unit.ambiguous', Message::of('units.ambiguous', ['typed' => $typed, 'one' => $one, 'other' => $other]));
    }

    public static function mixed(string $typed, string $one, string $other): self
    {
        return new self('unit.mixed', Message::of('units.mixed', ['typed' => $typed, 'one' => $one, 'other' => $other]));
    }

    public static function tooLong(): self
    {
        return new self('unit.too_long', Message::of('units.too-long'));
    }
}
