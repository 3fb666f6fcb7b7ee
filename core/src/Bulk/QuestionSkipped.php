<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\CoreException;

/** Why one question stays as it is while others are changed; its message is a sentence for who asked. */
final class QuestionSkipped extends \DomainException implements CoreException
{
    public static function notLent(): self
    {
        return new self('Its bank does not lend questions to other banks. A manager of that bank can allow it.');
    }

    public static function clash(string $name): self
    {
        return new self("It shows “{$name}”, a name that stands for another picture in this bank.");
    }

    public static function changedSince(): self
    {
        return new self('It was changed again since.');
    }
}
