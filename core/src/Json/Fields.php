<?php

declare(strict_types=1);

namespace WideQuarry\Json;

use WideQuarry\Messages\Message;

/**
 * Reads one JSON object field by field and says, with the place, what does not fit.
 * Hand-written beside the JSON Schemas because scoring reads many questions a second; a test holds the two together.
 */
final readonly class Fields
{
    /** Undetermined (ISO 639-2). */
    public const UNKNOWN_LANGUAGE = 'und';

    /** @param  array<array-key, mixed>  $given  by name; an array is faster to look up than an object, and reading does little else */
    private function __construct(private array $given, public string $path)
    {
    }

    /**
     * @param  list<string>  $known  every field that may stand here
     *
     * @throws Malformed
     */
    public static function of(mixed $value, string $path, array $known): self
    {
        if (! ($value instanceof \stdClass)) {
            throw Malformed::wrongType($path, Message::of('json.object'), $value);
        }
        $given = get_object_vars($value);
        foreach ($given as $field => $_) {
            if (! in_array($field, $known, true)) {
                // a name such as "0" comes as an integer, and is unknown too
                throw Malformed::unknownField($path.'/'.self::escape((string) $field), (string) $field);
            }
        }

        return new self($given, $path);
    }

    public function has(string $field): bool
    {
        return array_key_exists($field, $this->given);
    }

    public function raw(string $field): mixed
    {
        return $this->given[$field] ?? null;
    }

    public function at(string $field): string
    {
        return "$this->path/$field";
    }

    /** @throws Malformed */
    public function need(string $field): self
    {
        return $this->has($field) ? $this : throw Malformed::missingField($this->path, $field);
    }

    /** @throws Malformed */
    public function string(string $field, string $default = '', int $max = 1000): string
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : $default;
        if (! is_string($value)) {
            throw Malformed::wrongType($this->at($field), 'text', $value);
        }

        return strlen($value) <= $max || mb_strlen($value) <= $max
            ? $value
            : throw Malformed::outOfRange($this->at($field), Message::of('json.most-characters', ['max' => $max]), $value);
    }

    /**
     * An exact number as text; whether it can be read is a finding, not an error.
     *
     * @throws Malformed
     */
    public function exact(string $field, string $default): string
    {
        return $this->string($field, $default, 200);
    }

    /**
     * A language tag (BCP 47); und when it is not known.
     *
     * @throws Malformed
     */
    public function language(string $field = 'language'): string
    {
        $language = $this->string($field, self::UNKNOWN_LANGUAGE, 35);

        return preg_match('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $language) === 1
            ? $language
            : throw Malformed::outOfRange($this->at($field), Message::of('json.language-tag-such-en'), $language);
    }

    /** @throws Malformed */
    public function id(string $field = 'id'): string
    {
        $this->need($field);

        return self::asId($this->given[$field], $this->at($field));
    }

    /** @throws Malformed */
    public static function asId(mixed $value, string $path): string
    {
        if (! is_string($value)) {
            throw Malformed::wrongType($path, Message::of('json.identifier-text'), $value);
        }
        if (ctype_alnum($value) && strlen($value) <= 255) {
            return $value;
        }

        return preg_match('/^[^\s\p{Cc}]([^\p{Cc}]*[^\s\p{Cc}])?$/uD', $value) === 1 && mb_strlen($value) <= 255
            ? $value
            : throw Malformed::outOfRange(
                $path,
                Message::of('json.identifier-1-255-characters'),
                $value,
            );
    }

    /** @throws Malformed */
    public function uuid(string $field = 'id'): string
    {
        $this->need($field);

        return self::asUuid($this->given[$field], $this->at($field));
    }

    /** @throws Malformed */
    public static function asText(mixed $value, string $path, int $max): string
    {
        return match (true) {
            ! is_string($value) => throw Malformed::wrongType($path, 'text', $value),
            mb_strlen($value) > $max => throw Malformed::outOfRange($path, Message::of('json.most-characters', ['max' => $max]), $value),
            default => $value,
        };
    }

    /** @throws Malformed */
    public static function asUuid(mixed $value, string $path): string
    {
        return is_string($value) && preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $value) === 1
            ? $value
            : throw Malformed::outOfRange($path, Message::of('json.uuid-lower-case'), $value);
    }

    /** @throws Malformed */
    public function bool(string $field, bool $default): bool
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : $default;

        return is_bool($value) ? $value : throw Malformed::wrongType($this->at($field), Message::of('json.true-false'), $value);
    }

    /** @throws Malformed */
    public function int(string $field, int $default, int $min, int $max): int
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : $default;
        if (is_float($value) && $value === floor($value) && abs($value) < 1e15) {
            $value = (int) $value; // 1.0 is an integer in JSON Schema
        }
        if (! is_int($value)) {
            throw Malformed::wrongType($this->at($field), Message::of('json.whole-number'), $value);
        }

        return $value >= $min && $value <= $max
            ? $value
            : throw Malformed::outOfRange($this->at($field), Message::of('json.whole-number-between', [
                'min' => $min,
                'max' => $max,
            ]), $value);
    }

    /** @throws Malformed */
    public function intOrNull(string $field, ?int $default, int $min, int $max): ?int
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : $default;

        return $value === null ? null : $this->int($field, $this->has($field) ? 0 : (int) $default, $min, $max);
    }

    /**
     * A JSON number with at most four decimals, as its decimal text.
     *
     * @throws Malformed
     */
    public function decimal(string $field, string $max, string $min = '0'): string
    {
        $value = $this->given[$field] ?? null;
        if (! is_int($value) && ! is_float($value)) {
            throw Malformed::wrongType($this->at($field), 'a number', $value);
        }
        $text = is_int($value) ? (string) $value : (string) json_encode($value);
        if (preg_match('/^-?\d+(\.\d{1,4})?$/D', $text) !== 1 || $value < (float) $min || $value > (float) $max) {
            throw Malformed::outOfRange($this->at($field), Message::of('json.number-most-4', ['min' => $min, 'max' => $max]), $value);
        }

        return $text;
    }

    /**
     * The same, or null where nothing or null stands.
     *
     * @throws Malformed
     */
    public function decimalOrNull(string $field, string $max): ?string
    {
        return $this->raw($field) === null ? null : $this->decimal($field, $max);
    }

    /**
     * @param  list<string>  $allowed
     *
     * @throws Malformed
     */
    public function oneOf(string $field, array $allowed, string $default): string
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : $default;

        return is_string($value) && in_array($value, $allowed, true)
            ? $value
            : throw Malformed::notOneOf($this->at($field), $allowed, $value);
    }

    /**
     * @return list<mixed>
     *
     * @throws Malformed
     */
    public function list(string $field, int $max = 1000): array
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : [];
        if (! is_array($value)) {
            throw Malformed::wrongType($this->at($field), 'a list', $value);
        }

        return count($value) <= $max
            ? array_values($value)
            : throw Malformed::outOfRange($this->at($field), Message::of('json.most-entries', ['max' => $max]), count($value));
    }

    /**
     * Lines of text.
     *
     * @return list<string>
     *
     * @throws Malformed
     */
    public function strings(string $field, int $most, int $max = 1000): array
    {
        $strings = [];
        foreach ($this->list($field, $most) as $i => $value) {
            $strings[] = self::of((object) ['text' => $value], $this->at("$field/$i"), ['text'])->string('text', '', $max);
        }

        return $strings;
    }

    /**
     * Names for things that have keys of their own, such as folders.
     *
     * @return array<string, string>
     *
     * @throws Malformed
     */
    public function names(string $field, int $most, int $max = 200): array
    {
        $value = array_key_exists($field, $this->given) ? $this->given[$field] : new \stdClass();
        if (! $value instanceof \stdClass) {
            throw Malformed::wrongType($this->at($field), 'an object', $value);
        }
        $given = get_object_vars($value);
        if (count($given) > $most) {
            throw Malformed::outOfRange($this->at($field), Message::of('json.most-entries', ['max' => $most]), count($given));
        }
        $names = [];
        foreach ($given as $key => $name) {
            $path = $this->at($field).'/'.self::escape((string) $key);
            $names[(string) $key] = self::of((object) ['name' => $name], $path, ['name'])->string('name', '', $max);
        }

        return $names;
    }

    /**
     * Identifiers.
     *
     * @return list<string>
     *
     * @throws Malformed
     */
    public function ids(string $field, int $most): array
    {
        $ids = [];
        foreach ($this->list($field, $most) as $i => $value) {
            $ids[] = self::asId($value, $this->at("$field/$i"));
        }

        return $ids;
    }

    /**
     * @param  list<string>  $known
     *
     * @throws Malformed
     */
    public function object(string $field, array $known): self
    {
        return self::of(array_key_exists($field, $this->given) ? $this->given[$field] : new \stdClass(), $this->at($field), $known);
    }

    private static function escape(string $field): string
    {
        return str_replace(['~', '/'], ['~0', '~1'], $field);
    }
}
