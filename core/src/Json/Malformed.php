<?php

declare(strict_types=1);

namespace WideQuarry\Json;

use WideQuarry\CoreException;

/** Input that does not have the shape its schema asks for, or is no JSON at all. */
final class Malformed extends \DomainException implements CoreException
{
    /** @param  string  $path JSON Pointer (RFC 6901) of the offending place, '' for the whole */
    private function __construct(public readonly string $rule, string $message, public readonly string $path = '')
    {
        parent::__construct($message);
    }

    public static function syntax(int $line, int $column, string $found): self
    {
        return new self('json.syntax', "This is not valid JSON: line $line, column $column, near $found.");
    }

    public static function tooDeep(int $depth): self
    {
        return new self('json.depth', "This JSON is nested deeper than $depth levels.");
    }

    public static function notUtf8(): self
    {
        return new self('json.encoding', 'This JSON is not UTF-8 text. Save it as UTF-8 and try again.');
    }

    public static function unknownField(string $path, string $field): self
    {
        return new self('field.unknown', "There is no field \"$field\" here.", $path);
    }

    public static function missingField(string $path, string $field): self
    {
        return new self('field.missing', "The field \"$field\" is missing.", $path);
    }

    public static function wrongType(string $path, string $expected, mixed $found): self
    {
        return new self('field.type', "Expected $expected, found ".self::describe($found).'.', $path);
    }

    /** @param  list<string>  $allowed */
    public static function notOneOf(string $path, array $allowed, mixed $found): self
    {
        return new self('field.value', 'Expected one of '.implode(', ', $allowed).', found '.self::describe($found).'.', $path);
    }

    public static function outOfRange(string $path, string $range, mixed $found): self
    {
        return new self('field.range', "Expected $range, found ".self::describe($found).'.', $path);
    }

    public static function repeatedId(string $path, string $id): self
    {
        return new self('id.repeated', "The identifier \"$id\" is used twice here.", $path);
    }

    /** The same problem, seen from further out. */
    public function under(string $path): self
    {
        return new self($this->rule, $this->getMessage(), $path.$this->path);
    }

    private static function describe(mixed $found): string
    {
        return match (true) {
            is_string($found) => '"'.mb_strimwidth($found, 0, 60, '…').'"',
            is_array($found) => 'a list',
            is_object($found) => 'an object',
            is_bool($found) => $found ? 'true' : 'false',
            $found === null => 'null',
            default => (string) json_encode($found),
        };
    }
}
