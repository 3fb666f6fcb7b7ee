<?php

declare(strict_types=1);

namespace App\Support;

/** Something that was asked for and cannot be done, with the place and a sentence. */
final class Refused extends \DomainException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path)
    {
        parent::__construct($message);
    }

    public static function because(string $rule, string $sentence, string $path = ''): self
    {
        return new self($rule, $sentence, $path);
    }
}
