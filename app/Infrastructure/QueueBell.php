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
        if ($this->connection->getDriverName() !== 'pgsql' || config('queue.default') !== 'database') {
            usleep(self::BETWEEN_LOOKS_MS * 1000);

            return;
        }
        $this->isRung();
    }

    /** Waits for the bell. @return bool false where it did not ring, or was listened for only from now on */
    public function isRung(): bool
    {
        $pdo = $this->connection->getPdo();
        if ($pdo !== $this->listening) {
            $pdo->exec('LISTEN jobs');
            $this->listening = $pdo;

            return false; // one may have come before anybody listened
        }
        $isRung = $this->hears($pdo, $this->longest);
        while ($isRung && $this->hears($pdo, 0)) {
            // one look finds the jobs of all that rang
        }

        return $isRung;
    }

    private function hears(\PDO $pdo, int $for): bool
    {
        $said = $pdo->pgsqlGetNotify(\PDO::FETCH_NUM, $for);

        return (bool) $said; // false where nothing was said
    }
}
