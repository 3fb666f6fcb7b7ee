<?php

declare(strict_types=1);

namespace WideQuarry\Bulk;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** Why one question stays as it is while others are changed; its message is a sentence for who asked. */
final class QuestionSkipped extends \DomainException implements CoreException
{
    public static function notLent(): self
    {
        return new self(Message::of('bulk.bank-does-not-lend-questions'));
    }

    public static function clash(string $name): self
    {
        return new self(Message::of('bulk.shows-name-stands-another', ['name' => $name]));
    }

    public static function changedSince(): self
    {
        return new self(Message::of('bulk.changed-again-since'));
    }
}
