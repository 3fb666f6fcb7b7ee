<?php

declare(strict_types=1);

namespace App\Http\Input;

use Illuminate\Support\Str;

/**
 * The id of something new. A client may propose one that it has just made (a version 7 UUID, RFC 9562, not older than an hour); for
 * any other the server makes one, whether it is taken or not. So a refusal never confirms that an id from elsewhere exists.
 */
final class NewId
{
    private const SECONDS = 3600;

    public static function from(string $proposed): string
    {
        $made = self::madeAt($proposed);

        return $made !== null && abs(now()->getTimestamp() - $made) <= self::SECONDS ? $proposed : (string) Str::uuid7();
    }

    /** @return int|null seconds since 1970; null when it is no version 7 UUID */
    private static function madeAt(string $id): ?int
    {
        return preg_match('/^([0-9a-f]{8})-([0-9a-f]{4})-7[0-9a-f]{3}-[89ab]/', $id, $parts) === 1
            ? intdiv((int) hexdec($parts[1].$parts[2]), 1000)
            : null;
    }
}
