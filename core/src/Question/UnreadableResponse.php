<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\CoreException;

/** What somebody wrote as a response cannot be made out; the message says why. */
final class UnreadableResponse extends \RuntimeException implements CoreException
{
    public static function because(string $sentence): self
    {
        return new self($sentence);
    }
}
