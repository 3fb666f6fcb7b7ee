<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\RunSpecimens;
use App\Support\Work;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;

/** Runs the specimens of a bank in the background; goes on where it was stopped. */
final class RunAllSpecimens implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 3600;

    public int $tries = 100;

    public int $maxExceptions = 2;

    public function __construct(public readonly string $run)
    {
    }

    public function handle(RunSpecimens $specimens): void
    {
        Work::alone($this->run, fn () => $specimens->handle($this->run)) || $this->release(10);
    }

    public function failed(?\Throwable $problem): void
    {
        DB::table('specimen_runs')->where('id', $this->run)->where('state', 'running')->update(['state' => 'failed', 'finished_at' => now()]);
    }
}
