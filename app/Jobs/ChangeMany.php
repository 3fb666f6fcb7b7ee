<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Acts\Act;
use App\Actions\Acts\WorkOnAct;
use Illuminate\Support\Facades\DB;

/** Changes many questions in the background. In a bank one act goes on at a time; the next waits its turn. */
final class ChangeMany extends BackgroundWork
{
    protected function lock(): string
    {
        $bank = DB::table('acts')->where('id', $this->thing)->value('bank_id');

        return 'acts:'.(is_string($bank) ? $bank : '');
    }

    protected function work(): void
    {
        app(WorkOnAct::class)->handle($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        Act::ended($this->thing, 'failed');
    }
}
