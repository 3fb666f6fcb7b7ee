<?php

declare(strict_types=1);

namespace WideQuarry\Json;

use WideQuarry\Messages\Message;

/** JSON in and out. Objects stay objects, so that an empty one and the key "0" survive. */
final class Json
{
    private const DEPTH = 128;

    /**
     * What no text can hold (see Unstorable) is left out.
     *
     * @throws Malformed with line and column when it is no JSON
     */
    public static function decode(string $text): mixed
    {
        [$text] = Unstorable::remove($text);
        $value = json_decode($text, false, self::DEPTH);

        return json_last_error() === JSON_ERROR_NONE ? $value : throw self::problem($text);
    }

    /**
     * What was stored as an object: anything else is our own mistake.
     *
     * @throws \LogicException
     */
    public static function object(string $text): \stdClass
    {
        $value = self::decode($text);

        return $value instanceof \stdClass ? $value : throw new \LogicException('Expected a stored object.');
    }

    /** @return list<string> what was stored as a list of texts; what is no text in it is left out */
    public static function texts(string $json): array
    {
        $value = self::decode($json);

        return is_array($value) ? array_values(array_filter($value, is_string(...))) : [];
    }

    public static function encode(mixed $value): string
    {
        return json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    public static function pretty(mixed $value): string
    {
        return json_encode($value, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR);
    }

    /** A deep copy that shares nothing. */
    public static function copy(mixed $value): mixed
    {
        if ($value instanceof \stdClass) {
            $value = clone $value;
            foreach (get_object_vars($value) as $name => $inner) {
                if (! is_scalar($inner)) {
                    $value->{$name} = self::copy($inner);
                }
            }
        } elseif (is_array($value)) {
            foreach ($value as $key => $inner) {
                if (! is_scalar($inner)) {
                    $value[$key] = self::copy($inner);
                }
            }
        }

        return $value;
    }

    private static function problem(string $text): Malformed
    {
        return match (json_last_error()) {
            JSON_ERROR_DEPTH => Malformed::tooDeep(self::DEPTH),
            JSON_ERROR_UTF8 => Malformed::notUtf8(),
            default => self::locate($text),
        };
    }

    /** The longest run of good tokens ends where the problem is. */
    private static function locate(string $text): Malformed
    {
        $offset = SyntaxScan::firstProblem($text);
        $before = substr($text, 0, $offset);
        $line = substr_count($before, "\n") + 1;
        $start = strrpos($before, "\n");
        $near = trim(mb_strcut($text, $offset, 20));

        return Malformed::syntax($line, $offset - ($start === false ? -1 : $start), $near === '' ? Message::of('json.end') : "\"$near\"");
    }
}
