<?php

declare(strict_types=1);

namespace App\Http\Input;

use Illuminate\Http\Request;

/** The version named by If-Match (RFC 9110, 13.1.1): a whole number in quotes, as our entity tags are. */
final class IfMatch
{
    private const DIGITS = 9; // fits an integer column

    /** @return int|null null when there is none, or it can be none of ours */
    public static function of(Request $request): ?int
    {
        $match = trim($request->headers->get('If-Match') ?? '', '"');

        return ctype_digit($match) && strlen($match) <= self::DIGITS ? (int) $match : null;
    }
}
