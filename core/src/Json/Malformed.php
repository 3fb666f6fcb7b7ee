<?php

declare(strict_types=1);

namespace WideQuarry\Json;

use WideQuarry\CoreException;
use WideQuarry\Messages\Message;

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
        return new self('json.syntax', Message::of('json.not-valid-json', [
            'line' => $line,
            'column' => $column,
            'found' => $found,
        ]));
    }

    public static function tooDeep(int $depth): self
    {
        return new self('json.depth', Message::of('json.json-nested-deeper-levels', ['depth' => $depth]));
    }

    public static function notUtf8(): self
    {
        return new self('json.encoding', Message::of('json.not-utf-8'));
    }

    public static function unknownField(string $path, string $field): self
    {
        return new self('field.unknown', Message::of('json.no-field', ['field' => $field]), $path);
    }

    public static function missingField(string $path, string $field): self
    {
        return new self('field.missing', Message::of('json.field-missing', ['field' => $field]), $path);
    }

    public static function wrongType(string $path, string $expected, mixed $found): self
    {
        return new self('field.type', Message::of('json.expected-found', [
            'expected' => $expected,
            'found' => self::describe($found),
        ]), $path);
    }

    /** @param  list<string>  $allowed */
    public static function notOneOf(string $path, array $allowed, mixed $found): self
    {
        return new self('field.value', Message::of('json.expected-one-found', [
            'list' => implode(', ', $allowed),
            'found' => self::describe($found),
        ]), $path);
    }

    public static function outOfRange(string $path, string $range, mixed $found): self
    {
        return new self('field.range', Message::of('json.expected-range-found', [
            'range' => $range,
            'found' => self::describe($found),
        ]), $path);
    }

    public static function repeatedId(string $path, string $id): self
    {
        return new self('id.repeated', Message::of('json.identifier-used-twice', ['id' => $id]), $path);
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
            is_object($found) => Message::of('json.object'),
            is_bool($found) => $found ? 'true' : 'false',
            $found === null => 'null',
            default => (string) json_encode($found),
        };
    }
}
