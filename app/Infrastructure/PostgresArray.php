<?php

declare(strict_types=1);

namespace App\Infrastructure;

/** Arrays of text as PostgreSQL writes them (its manual, "Array Input and Output Syntax"). */
final class PostgresArray
{
    /** @return list<string> */
    public static function read(string $array): array
    {
        preg_match_all('/"((?:[^"\\\\]|\\\\.)*)"|([^{},"]+)/s', $array, $found, PREG_SET_ORDER);

        return array_map(fn (array $one): string => $one[2] ?? stripslashes($one[1] ?? ''), $found);
    }
}
