<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Dispatch\WriteDispatch;
use App\Support\Work;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;

/** Writes the file of a dispatch in the background. */
final class WriteOut implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 3600;

    public int $tries = 100;

    public int $maxExceptions = 2;

    public function __construct(public readonly string $dispatch)
    {
    }

    public function handle(WriteDispatch $write): void
    {
        Work::alone($this->dispatch, fn () => $write->handle($this->dispatch)) || $this->release(10);
    }

    public function failed(?\Throwable $problem): void
    {
        DB::table('dispatches')->where('id', $this->dispatch)->where('state', 'writing')->update(['state' => 'failed', 'problem' => 'Something went wrong here while writing. It was written down; nothing of yours is lost. Try again.']);
    }
}
