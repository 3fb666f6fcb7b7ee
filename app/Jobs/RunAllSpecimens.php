<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\RunSpecimens;
use Illuminate\Support\Facades\DB;

/** Runs the specimens of a bank in the background; resumes where it was stopped. */
final class RunAllSpecimens extends BackgroundWork
{
    protected function work(): void
    {
        app(RunSpecimens::class)->handle($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        DB::table('specimen_runs')
            ->where('id', $this->thing)
            ->where('state', 'running')
            ->update(['state' => 'failed', 'finished_at' => now()]);
    }
}
