<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\ReadIntake;
use App\Actions\Intake\UndoIntake;
use App\Models\Intake;
use App\Support\Work;
use Illuminate\Bus\Queueable;
use Illuminate\Contracts\Queue\ShouldQueue;
use Illuminate\Foundation\Bus\Dispatchable;
use Illuminate\Queue\InteractsWithQueue;

/** Does what the state of an intake asks for: read it, bring it in, take it back. Each goes on where it was stopped. */
final class WorkOnIntake implements ShouldQueue
{
    use Dispatchable, InteractsWithQueue, Queueable;

    public int $timeout = 3600;

    public int $tries = 100; // taken up again after each crash, and put back while another worker is at it

    public int $maxExceptions = 3;

    public function __construct(public readonly string $intake)
    {
    }

    public function handle(ReadIntake $read, CommitIntake $commit, UndoIntake $undo): void
    {
        $intake = Intake::query()->find($this->intake);
        if ($intake === null) {
            return;
        }
        $free = Work::alone($this->intake, fn () => match ($intake->refresh()->state) {
            'reading' => $read->handle($intake),
            'committing' => $commit->handle($intake),
            'undoing' => $undo->handle($intake),
            default => null,
        });
        $free || $this->release(10);
    }

    public function failed(?\Throwable $problem): void
    {
        Intake::query()->whereKey($this->intake)->where('state', 'reading')->update(['state' => 'failed', 'problem' => 'Something went wrong here while reading. It was written down; give the file again.']);
        Intake::query()->whereKey($this->intake)->whereIn('state', ['committing', 'undoing'])->update(['problem' => 'Something went wrong here, and it stopped half way. What is done is done whole; go on when you are ready.']);
    }
}
