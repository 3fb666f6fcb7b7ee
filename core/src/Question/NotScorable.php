<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\CoreException;

/** A question that is well-formed but cannot be scored or shown as it stands. */
final class NotScorable extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    public static function unreadableNumber(string $text, string $path): self
    {
        return new self(
            'value.unreadable',
            $text === '' ? 'A number is missing here.' : "\"$text\" is not an exact number such as 3/4 or 0.1.",
            $path,
        );
    }

    public static function kindUnavailable(string $kind, string $path): self
    {
        return new self('part.kind_unavailable', "Parts of the kind \"$kind\" cannot be shown or scored yet.", $path);
    }

    public static function nothingRight(string $path): self
    {
        return new self('key.nothing_right', 'No rule earns credit, so no answer can be right.', $path);
    }

    public static function stepNotPositive(string $path): self
    {
        return new self('scoring.step', 'The step of rounding must be above 0.', $path);
    }
}
