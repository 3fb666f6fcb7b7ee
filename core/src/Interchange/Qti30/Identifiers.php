<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/**
 * Identifiers as QTI takes them (XML names without colons): those that are none are written in hexadecimal, so that no two fall together.
 */
final class Identifiers
{
    private const MARK = 'wq-';

    public static function of(string $id): string
    {
        return preg_match('/^[A-Za-z_][A-Za-z0-9_.-]*$/D', $id) === 1 && ! str_starts_with($id, self::MARK)
            ? $id
            : self::MARK.bin2hex($id);
    }
}
