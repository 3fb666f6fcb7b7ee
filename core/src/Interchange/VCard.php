<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** The name in a vCard (RFC 6350), as learning object metadata holds people. */
final class VCard
{
    public static function write(string $name): string
    {
        return "BEGIN:VCARD\nVERSION:3.0\nFN:".addcslashes($name, ',;\\')."\nEND:VCARD";
    }

    /** "" when there is none; text that is no card is the name. */
    public static function name(string $card): string
    {
        if (! str_contains(strtoupper($card), 'BEGIN:VCARD')) {
            return mb_substr(trim($card), 0, 200);
        }

        return preg_match(
            '/\bFN(?:;[^:]*)?:(.+?)(?=\s*(?:[\r\n]|\b(?:N|ORG|EMAIL|TEL|TITLE|URL|ADR|NOTE|UID|REV|END)[:;]|$))/si',
            $card,
            $m,
        ) === 1
            ? mb_substr(stripslashes(trim($m[1])), 0, 200)
            : '';
    }
}
