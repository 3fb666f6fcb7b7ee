<?php

declare(strict_types=1);

namespace WideQuarry\Graph;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** Numbers that make no such figure. */
final class FigureProblem extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message)
    {
        parent::__construct($message);
    }

    /** @param  array<string, string|int|float>  $values */
    public static function because(string $what, array $values = []): self
    {
        return new self('figure.'.str_replace('-', '_', $what), Message::of("graph.$what", $values));
    }
}
