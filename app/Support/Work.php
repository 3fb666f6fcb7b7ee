<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Support\Facades\DB;

/** One worker at a time works on one thing; the lock goes with the connection, so that one who is killed holds nothing. */
final class Work
{
    /** @param  callable(): void  $work */
    public static function alone(string $thing, callable $work): bool
    {
        if (DB::scalar('SELECT pg_try_advisory_lock(hashtextextended(?, 0))', [$thing]) !== true) {
            return false;
        }
        try {
            $work();
        } finally {
            DB::scalar('SELECT pg_advisory_unlock(hashtextextended(?, 0))', [$thing]);
        }

        return true;
    }
}
