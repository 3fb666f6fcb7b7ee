<?php

declare(strict_types=1);

namespace App\Infrastructure;

use Illuminate\Database\Connection;

/**
 * Wakes an idle worker as soon as a job is there (PostgreSQL's NOTIFY, by a trigger on the table of jobs), instead of looking for one all
 * the time. Jobs that were put off come due without a bell, so nobody waits for long.
 */
final class QueueBell
{
    private const BETWEEN_LOOKS_MS = 500;

    private bool $hasWorked = true;

    private ?\PDO $listening = null;

    /** @param  int  $longest  ms after which a worker looks for jobs that have come due */
    public function __construct(private readonly Connection $connection, private readonly int $longest = 1000)
    {
    }

    /** There was a job: there may be another one already. */
    public function worked(): void
    {
        $this->hasWorked = true;
    }

    /** Waits until a job may be there. A queue that is not in this database has no bell. */
    public function wait(): void
    {
        if ($this->hasWorked) {
            $this->hasWorked = false;

            return;
        }
        if (config('queue.default') === 'database') {
            $this->hasRung();
        } else {
            usleep(self::BETWEEN_LOOKS_MS * 1000);
        }
    }

    /** Waits for the bell, or until nobody should wait longer. The first call only begins to listen. */
    public function hasRung(): bool
    {
        $pdo = $this->connection->getPdo();
        if ($pdo !== $this->listening) {
            $pdo->exec('LISTEN jobs');
            $this->listening = $pdo;

            return false; // a job may have come before: the worker looks first
        }
        $hasRung = $this->hears($pdo, $this->longest);
        while ($hasRung && $this->hears($pdo, 0)) {
            // one look finds the jobs of all that rang
        }

        return $hasRung;
    }

    private function hears(\PDO $pdo, int $for): bool
    {
        $said = $pdo->pgsqlGetNotify(\PDO::FETCH_NUM, $for);

        return (bool) $said; // false where nothing was said
    }
}
