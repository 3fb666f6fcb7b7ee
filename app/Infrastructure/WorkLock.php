<?php

declare(strict_types=1);

namespace App\Infrastructure;

use App\Errors\Refused;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/**
 * One worker at a time works on one thing; the lock goes with the connection, so that one who is killed holds nothing. What was begun too
 * often without coming to an end (each time its worker was killed, ran out of memory, or met an error) is not begun again.
 */
final class WorkLock
{
    private const TRIES = 3;

    /**
     * @param  string  $lock  what only one worker at a time does
     * @param  callable(): void  $work
     * @param  string|null  $thing  what tries are counted of, where it is less than the lock covers
     * @return bool false when another worker is at it
     *
     * @throws Refused when it was begun three times before
     */
    public static function alone(string $lock, callable $work, ?string $thing = null): bool
    {
        $thing ??= $lock;
        if (DB::scalar('SELECT pg_try_advisory_lock(hashtextextended(?, 0))', [$lock]) !== true) {
            return false;
        }
        try {
            if (self::isSpent($thing)) {
                throw Refused::because(
                    'work.gave_up',
                    Message::of('app.infrastructure.failed-times-server-ran', ['tries' => self::TRIES]),
                );
            }
            DB::statement(
                <<<'SQL'
                    INSERT INTO work_tries (thing, tries) VALUES (?, 1) ON CONFLICT (thing) DO UPDATE
                        SET tries = work_tries.tries + 1, begun_at = now()
                    SQL,
                [$thing],
            );
            $work();
            self::again($thing);
        } finally {
            DB::scalar('SELECT pg_advisory_unlock(hashtextextended(?, 0))', [$lock]);
        }

        return true;
    }

    public static function isSpent(string $thing): bool
    {
        return DB::table('work_tries')->where('thing', $thing)->where('tries', '>=', self::TRIES)->exists();
    }

    /** Counts from the beginning: it came to an end, or somebody asks for it again. */
    public static function again(string $thing): void
    {
        DB::table('work_tries')->where('thing', $thing)->delete();
    }
}
