<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Identifiers for what a reader makes: the same file gives the same ids, so that reading twice can be compared. */
final class Ids
{
    /** A UUID of version 8 (RFC 9562) from what names the thing in its source. */
    public static function of(string ...$names): string
    {
        $hex = substr(hash('sha256', implode("\0", $names)), 0, 32);
        $hex[12] = '8';
        $hex[16] = dechex(((int) hexdec($hex[16]) & 3) | 8);

        return implode('-', [substr($hex, 0, 8), substr($hex, 8, 4), substr($hex, 12, 4), substr($hex, 16, 4), substr($hex, 20)]);
    }
}
