<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Bulk\BulkOperation;
use App\Actions\Bulk\RunOperation;
use Illuminate\Support\Facades\DB;

/** Changes many questions in the background. In a bank one act goes on at a time; the next waits its turn. */
final class ChangeMany extends BackgroundWork
{
    protected function lock(): string
    {
        $bank = DB::table('bulk_operations')->where('id', $this->thing)->value('bank_id');

        return 'acts:'.(is_string($bank) ? $bank : '');
    }

    protected function work(): void
    {
        app(RunOperation::class)->handle($this->thing);
    }

    protected function stopped(string $sentence): void
    {
        BulkOperation::ended($this->thing, 'failed');
    }
}
