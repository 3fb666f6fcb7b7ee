<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\Dispatch\ExportCollector;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Interchange\KeptSources;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/**
 * Opens an intake of all questions of a bank whose source was kept for want of a translation, and can be translated now: they are
 * reviewed, brought in as new revisions and taken back like any others.
 */
final readonly class RereadSources
{
    /** Few at once: their media are in memory together. */
    private const CHUNK = 10;

    /** One call takes so many questions, bytes and seconds at most; what is read is not kept any more, so the next call goes on. */
    private const MOST = 500;

    private const BYTES = 60_000_000;

    private const SECONDS = 15;

    public function __construct(private ExportCollector $collect, private OpenIntake $open, private PartKinds $kinds)
    {
    }

    /** @throws Refused where there is none */
    public function handle(Bank $bank, User $person): Intake
    {
        $ids = DB::table('questions')
            ->where('bank_id', $bank->id)
            ->whereNull('binned_at')
            ->whereRaw("jsonb_exists(record->'origin', 'processing')")
            ->orderBy('id')
            ->pluck('id')
            ->all();
        $sources = new KeptSources($this->kinds);
        $end = microtime(true) + self::SECONDS;
        foreach (array_chunk($ids, self::CHUNK) as $chunk) {
            if ($sources->count >= self::MOST || $sources->bytes >= self::BYTES || microtime(true) > $end) {
                break;
            }
            $sources->add($this->collect->questions(array_values(array_filter($chunk, is_string(...))), new ExportOptions));
        }
        if ($sources->count === 0) {
            throw Refused::because('intake.no_kept_source', Message::of('app.actions.intake.no-kept-source', ['count' => count($ids)]));
        }
        $written = $sources->write(fn (): string => (string) tempnam(sys_get_temp_dir(), 'kept'));
        try {
            $files = array_map(
                fn (string $file, string $family): array => ['path' => $file, 'name' => "kept-sources-$family.zip"],
                $written,
                array_keys($written),
            );
            $intake = $this->open->handle($files, $person, $bank);
        } finally {
            array_map(unlink(...), $written);
        }
        $intake->update(['duplicates' => 'replace']);

        return $intake->refresh();
    }
}
