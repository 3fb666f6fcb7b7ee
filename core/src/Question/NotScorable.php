<?php

declare(strict_types=1);

namespace WideQuarry\Question;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** A question that is well-formed but cannot be scored or shown as it stands. */
final class NotScorable extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    /** What a kind cannot work with, in its own words. */
    public static function because(string $rule, string $sentence, string $path): self
    {
        return new self($rule, $sentence, $path);
    }

    public static function unreadableNumber(string $text, string $path): self
    {
        return new self(
            'value.unreadable',
            $text === '' ? Message::of('question.number-missing') : Message::of('question.not-an-exact-number', ['text' => $text]),
            $path,
        );
    }

    public static function kindUnavailable(string $kind, string $path): self
    {
        return new self('part.kind_unavailable', Message::of('question.parts-kind-cannot-shown', ['kind' => $kind]), $path);
    }

    public static function nothingRight(string $path): self
    {
        return new self('key.nothing_right', Message::of('question.no-rule-earns-credit'), $path);
    }

    public static function stepNotPositive(string $path): self
    {
        return new self('scoring.step', Message::of('question.step-rounding-must-above'), $path);
    }
}
