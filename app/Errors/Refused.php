<?php

declare(strict_types=1);

namespace App\Errors;

/** Something that was asked for and cannot be done, with the place and a sentence. */
final class Refused extends \DomainException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path, public readonly int $status)
    {
        parent::__construct($message);
    }

    public static function because(string $rule, string $sentence, string $path = ''): self
    {
        return new self($rule, $sentence, $path, 422);
    }

    /** The same, seen from further out. */
    public function under(string $path): self
    {
        return new self($this->rule, $this->getMessage(), $path.$this->path, $this->status);
    }

    /** Somebody else did something at the same time. */
    public static function conflict(string $rule, string $sentence, string $path = ''): self
    {
        return new self($rule, $sentence, $path, 409);
    }
}
