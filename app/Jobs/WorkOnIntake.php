<?php

declare(strict_types=1);

namespace App\Jobs;

use App\Actions\Intake\ChooseParts;
use App\Actions\Intake\CommitIntake;
use App\Actions\Intake\CorrectFile;
use App\Actions\Intake\ReadIntake;
use App\Actions\Intake\RereadSources;
use App\Actions\Intake\UndoIntake;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/**
 * Does what the state of an intake asks for: read it, read a file of it again, import it, undo the import. Each resumes where it was
 * stopped.
 */
final class WorkOnIntake extends BackgroundWork
{
    private const LARGE_FILE = 1_000_000; // bytes

    public static function begin(Intake $intake): void
    {
        $bytes = DB::table('intake_files')->where('intake_id', $intake->id)->sum('bytes');
        self::dispatch($intake->id, $intake->user_id, $bytes > self::LARGE_FILE || $intake->gathers);
    }

    protected function work(): void
    {
        $intake = Intake::query()->find($this->thing);
        match ($intake?->state) {
            'reading' => self::read($intake),
            'correcting' => app(CorrectFile::class)->finish($intake),
            'committing' => app(CommitIntake::class)->handle($intake),
            'undoing' => app(UndoIntake::class)->handle($intake),
            default => null,
        };
    }

    private static function read(Intake $intake): void
    {
        if ($intake->chooses && app(ChooseParts::class)->offer($intake)) {
            return;
        }
        if (! $intake->gathers || app(RereadSources::class)->gather($intake)) {
            app(ReadIntake::class)->handle($intake);
        }
    }

    protected function stopped(string $sentence): void
    {
        CorrectFile::giveUp($this->thing, $sentence);
        Intake::query()
            ->whereKey($this->thing)
            ->where('state', 'reading')
            ->update(['state' => 'failed', 'problem' => $sentence]);
        Intake::query()
            ->whereKey($this->thing)
            ->whereIn('state', ['committing', 'undoing'])
            ->update(['problem' => Message::of('app.jobs.imported-far-complete', ['sentence' => $sentence])]);
    }
}
