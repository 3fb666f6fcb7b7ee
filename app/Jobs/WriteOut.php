<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Dispatch\WriteDispatch;
use Illuminate\Support\Facades\DB;

/** Writes the file of an export in the background. */
final class WriteOut extends BackgroundWork
{
    protected function work(): void
    {
        app(WriteDispatch::class)->handle($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        DB::table('dispatches')
            ->where('id', $this->thing)
            ->where('state', 'writing')
            ->update(['state' => 'failed', 'problem' => $sentence]);
    }
}
