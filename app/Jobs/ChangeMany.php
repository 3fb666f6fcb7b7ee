<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Acts\Act;
use App\Actions\Acts\WorkOnAct;
use App\Support\Work;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;
use Illuminate\Support\Facades\DB;

/** Changes many questions in the background. In a bank one act goes on at a time; the next waits its turn. */
final class ChangeMany implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 3600;

    public int $tries = 5000;

    public int $maxExceptions = 2;

    public function __construct(public readonly string $act)
    {
    }

    public function handle(WorkOnAct $work): void
    {
        $bank = DB::table('acts')->where('id', $this->act)->value('bank_id');
        Work::alone('acts:'.(is_string($bank) ? $bank : ''), fn () => $work->handle($this->act)) || $this->release(2);
    }

    public function failed(?\Throwable $problem): void
    {
        Act::ended($this->act, 'failed');
    }
}
