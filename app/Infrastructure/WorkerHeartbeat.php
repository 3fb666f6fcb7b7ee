<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Support\Facades\DB;

/** Workers leave a sign of life every few seconds, and say when they begin a job, during which they cannot. */
final class WorkerHeartbeat
{
    private const EVERY = 5; // seconds

    private const SILENCE = 30;

    private const LONGEST_JOB = 3600;

    private static float $last = 0;

    public static function idle(): void
    {
        if (microtime(true) - self::$last >= self::EVERY) {
            self::$last = microtime(true);
            self::write(null);
        }
    }

    public static function busy(string $job): void
    {
        self::$last = 0;
        self::write($job);
    }

    public static function isAnyAlive(): bool
    {
        return DB::scalar(
            <<<'SQL'
            SELECT EXISTS (SELECT 1 FROM workers WHERE beat_at > now() - make_interval(secs => CASE WHEN job IS NULL THEN ?::float8
                ELSE ?::float8 END))
            SQL,
            [self::SILENCE, self::LONGEST_JOB],
        ) === true;
    }

    private static function write(?string $job): void
    {
        DB::table('workers')->upsert([['name' => self::name(), 'job' => $job, 'beat_at' => now()]], ['name']);
    }

    private static function name(): string
    {
        return gethostname().' '.(getenv('QUARRY_WORKER') ?: getmypid());
    }
}
