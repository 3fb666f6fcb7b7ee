<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

/** A pattern of names that cannot be followed. */
final class PatternProblem extends \DomainException implements CoreException
{
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '/pattern')
    {
        parent::__construct($message);
    }

    /** @param  list<string>  $known */
    public static function unknown(string $name, array $known): self
    {
        $list = implode(', ', array_map(fn (string $one): string => "{{$one}}", $known));
        $values = ['name' => '{'.mb_strimwidth($name, 0, 40, '…').'}', 'list' => $list];

        return new self('pattern.unknown', Message::of('migration.pattern-unknown', $values));
    }

    public static function unclosed(): self
    {
        return new self('pattern.unclosed', Message::of('migration.pattern-unclosed'));
    }

    public static function tooDeep(): self
    {
        return new self('pattern.deep', Message::of('migration.pattern-deep'));
    }
}
