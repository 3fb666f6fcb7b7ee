<?php

declare(strict_types=1);

namespace App\Jobs;

use Illuminate\Support\Facades\DB;

/** In each queue, whoever was served longest ago comes first. Another queue than the database's keeps its own order. */
final class TakeTurns
{
    /** @param  callable(BackgroundWork): void  $next */
    public function handle(BackgroundWork $job, callable $next): void
    {
        if ($job->person === null || $job->job === null || $job->job->getConnectionName() !== 'database') {
            $next($job);

            return;
        }
        $queue = (string) $job->queue;
        $othersFirst = DB::scalar(
            <<<'SQL'
            SELECT EXISTS (
                SELECT 1 FROM jobs LEFT JOIN queue_turns AS theirs ON theirs.queue = jobs.queue
                    AND theirs.user_id::text = payload::jsonb->>'person'
                WHERE jobs.queue = ? AND reserved_at IS NULL AND available_at <= extract(epoch
                    FROM clock_timestamp()) AND payload::jsonb->>'person' <> ?
                    AND coalesce(theirs.served_at, '-infinity') < (SELECT served_at FROM queue_turns WHERE queue = ? AND user_id = ?)
            )
            SQL,
            [$queue, $job->person, $queue, $job->person],
        );
        if ($othersFirst === true) {
            $job->release(1);

            return;
        }
        DB::table('queue_turns')->upsert([['queue' => $queue, 'user_id' => $job->person, 'served_at' => now()]], ['queue', 'user_id']);
        $next($job);
    }
}
