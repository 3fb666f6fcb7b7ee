<?php

declare(strict_types=1);

namespace WideQuarry\Standards;

/** Codes of statements as people type them: case and blanks do not tell two apart. */
final class StatementCode
{
    /** Without blanks at its ends, with single ones inside. */
    public static function trimmed(string $code): string
    {
        return trim((string) preg_replace('/[\s\x{00A0}]+/u', ' ', $code));
    }

    /** Two codes are the same when this is. */
    public static function folded(string $code): string
    {
        return mb_strtolower((string) preg_replace('/[\s\x{00A0}]+/u', '', $code));
    }

    /** The code a step further up, by its marks: FEF.2.3.b → FEF.2.3; null where there is none. */
    public static function above(string $code): ?string
    {
        return preg_match('/^(.*[^\s.\-\/_:])[\s.\-\/_:]+[^\s.\-\/_:]+[.)]?$/uD', self::trimmed($code), $m) === 1 ? $m[1] : null;
    }
}
