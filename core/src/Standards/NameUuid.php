<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/** A UUID made from names, the same each time (RFC 9562, version 5). */
final class NameUuid
{
    /** @param  string  $space  UUID */
    public static function of(string $space, string $name): string
    {
        $hash = sha1(hex2bin(str_replace('-', '', $space)).$name);

        return sprintf(
            '%s-%s-5%s-%s%s-%s',
            substr($hash, 0, 8),
            substr($hash, 8, 4),
            substr($hash, 13, 3),
            dechex((hexdec($hash[16]) & 0x3) | 0x8),
            substr($hash, 17, 3),
            substr($hash, 20, 12),
        );
    }

    /** An identifier of a file as a UUID: itself where it is one, otherwise made from it. */
    public static function from(string $identifier, string $space): string
    {
        $lower = strtolower($identifier);

        return preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $lower) === 1 ? $lower : self::of($space, $identifier);
    }
}
