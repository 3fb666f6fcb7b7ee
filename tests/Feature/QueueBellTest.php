<?php

declare(strict_types=1);

use App\Infrastructure\QueueBell;
use Illuminate\Database\Connection;
use Illuminate\Support\Facades\DB;

/** A connection of its own: what a test does is in a transaction, out of which nothing rings. */
function connected(string $name): Connection
{
    config(["database.connections.$name" => config('database.connections.pgsql')]);

    return DB::connection($name);
}

/** @param  callable(Connection): mixed  $work */
function elsewhere(callable $work): void
{
    $there = connected('working');
    try {
        $work($there);
    } finally {
        $there->table('jobs')->where('queue', 'bell')->delete();
        $there->disconnect();
    }
}

$job = ['queue' => 'bell', 'payload' => '{}', 'attempts' => 0, 'available_at' => 0, 'created_at' => 0];

it('rings once for all jobs that came, and not again', function () use ($job): void {
    $bell = new QueueBell(connected('listening'), 20);
    $first = $bell->hasRung();
    elsewhere(function (Connection $there) use ($job): void {
        $there->table('jobs')->insert([$job, $job]);
        $there->table('jobs')->insert($job);
    });

    expect([$first, $bell->hasRung(), $bell->hasRung()])->toBe([false, true, false]);
});

it('rings when a job is committed, and not for one that is taken back', function () use ($job): void {
    $bell = new QueueBell(connected('listening'), 20);
    $bell->hasRung();
    elsewhere(function (Connection $there) use ($bell, $job): void {
        $there->beginTransaction();
        $there->table('jobs')->insert($job);
        expect($bell->hasRung())->toBeFalse();
        $there->rollBack();
        expect($bell->hasRung())->toBeFalse();
        $there->transaction(fn () => $there->table('jobs')->insert($job));
        expect($bell->hasRung())->toBeTrue();
    });
});

it('listens again after the connection was lost', function () use ($job): void {
    $listening = connected('listening');
    $bell = new QueueBell($listening, 20);
    $bell->hasRung();
    $listening->reconnect();
    $again = $bell->hasRung();
    elsewhere(fn (Connection $there) => $there->table('jobs')->insert($job));

    expect([$again, $bell->hasRung()])->toBe([false, true]);
});

it('lets a worker that had a job look for the next one at once', function (): void {
    config(['queue.default' => 'database']);
    $bell = new QueueBell(connected('listening'), 2000);
    $from = hrtime(true);
    $bell->wait(); // begins
    $bell->worked();
    $bell->wait();

    expect(hrtime(true) - $from)->toBeLessThan(1_000_000_000);
});
