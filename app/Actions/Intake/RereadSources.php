<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Actions\Dispatch\ExportCollector;
use App\Errors\Refused;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Interchange\KeptSources;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/**
 * An intake of all questions of a bank whose source was kept for want of a translation, and can be translated now: they are reviewed,
 * brought in as new revisions and taken back like any others. Finding them means to translate all, which is done in the background.
 */
final readonly class RereadSources
{
    /** A package of them is no larger than this, but for its last question. */
    private const BYTES = 60_000_000;

    public function __construct(private ExportCollector $collect, private OpenIntake $open, private PartKinds $kinds)
    {
    }

    /** @throws Refused where no question has kept its source */
    public function open(Bank $bank, User $person): Intake
    {
        if (self::kept($bank->id)->doesntExist()) {
            throw self::none(0);
        }

        return Intake::query()->create([
            'user_id' => $person->id,
            'title' => Message::of('app.actions.intake.kept-sources', ['bank' => $bank->name]),
            'bank_id' => $bank->id,
            'duplicates' => 'replace',
            'gathers' => true,
        ])->refresh();
    }

    /**
     * Makes packages of what can be translated: the files of the intake. Killed before its end, it begins again.
     *
     * @return bool false when it was asked to stop
     *
     * @throws Refused where there is nothing of that kind
     */
    public function gather(Intake $intake): bool
    {
        $person = User::query()->find($intake->user_id);
        $bank = $intake->bank;
        $mayWrite = $person !== null && $bank !== null && Gate::forUser($person)->allows('write', $bank);
        $ids = $mayWrite ? self::kept($bank->id)->orderBy('id')->pluck('id')->all() : [];
        $sources = new KeptSources($this->kinds);
        $written = [];
        $write = function () use ($sources, &$written): void {
            foreach ($sources->write(fn (): string => (string) tempnam(sys_get_temp_dir(), 'kept')) as $family => $path) {
                $written[] = ['path' => $path, 'name' => 'kept-sources-'.(count($written) + 1)."-$family.zip"];
            }
        };
        try {
            foreach (array_filter($ids, is_string(...)) as $id) {
                if (self::isStopped($intake)) {
                    return false;
                }
                $sources->add($this->collect->questions([$id], new ExportOptions)); // one by one: its media are in memory
                if ($sources->bytes > self::BYTES) {
                    $write();
                }
            }
            $write();
            if ($written === [] || $person === null) {
                throw self::none(count($ids));
            }
            $this->open->files($intake, $written, $person, ['gathers' => false]);

            return true;
        } finally {
            array_map(unlink(...), array_column($written, 'path'));
        }
    }

    private static function isStopped(Intake $intake): bool
    {
        $asked = Intake::query()->whereKey($intake->id)->where('stop_asked', true)->update(['state' => 'cancelled']) > 0;

        return $asked || Intake::query()->whereKey($intake->id)->doesntExist();
    }

    private static function kept(string $bank): Builder
    {
        return DB::table('questions')
            ->where('bank_id', $bank)
            ->whereNull('binned_at')
            ->whereRaw("jsonb_exists(record->'origin', 'processing')");
    }

    private static function none(int $count): Refused
    {
        return Refused::because('intake.no_kept_source', Message::of('app.actions.intake.no-kept-source', ['count' => $count]));
    }
}
