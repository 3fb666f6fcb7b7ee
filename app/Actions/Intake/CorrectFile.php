<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Indexing\StagedRows;
use App\Jobs\WorkOnIntake;
use App\Models\Intake;
use App\Storage\FileStore;
use Illuminate\Support\Facades\DB;
use WideQuarry\CoreException;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\QuestionTable\Rows\TableCorrections;
use WideQuarry\Interchange\QuestionTable\Sheets\TableType;
use WideQuarry\Interchange\QuestionTable\TableReader;
use WideQuarry\Interchange\Source;
use WideQuarry\Interchange\Typed\Recognition\Corrections;
use WideQuarry\Interchange\Typed\Sources\DocumentType;
use WideQuarry\Interchange\Typed\TypedReader;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Reads a typed document or a table again with what was corrected. What was edited by hand in the meantime stays as it was edited. */
final readonly class CorrectFile
{
    /** Questions of a file that is read again while somebody waits for the answer: about two seconds. */
    private const AT_ONCE = 1_000;

    public function __construct(
        private DocumentConverter $converter,
        private FileStore $files,
        private ReadIntake $stage,
        private PicturesBeside $beside,
        private CorrectRows $part,
    ) {
    }

    /**
     * @param  mixed  $base  the corrections that these go on from
     *
     * @throws Refused|\WideQuarry\CoreException
     */
    public function handle(Intake $intake, string $file, mixed $corrections, mixed $base): void
    {
        /** @var (object{id: string, name: string, sha256: string}&\stdClass)|null $row */
        $row = DB::table('intake_files')->where('intake_id', $intake->id)->where('id', $file)->first();
        if ($row === null) {
            throw Refused::because('intake.no_document', Message::of('app.actions.intake.not-a-document'));
        }
        if ($this->inPart($intake, $row, $corrections, $base)) {
            return;
        }
        if (DB::table('staged_questions')->where('file_id', $file)->count() > self::AT_ONCE) {
            $this->later($intake, $row, $corrections, $base);

            return;
        }
        $read = iterator_to_array($this->reread($intake->id, $row, $corrections), false);
        DB::transaction(function () use ($intake, $row, $read, $corrections, $base): void {
            $now = $this->held($intake, $row->id, $base);
            DB::table('intake_files')->where('id', $row->id)->update(['corrections' => Json::encode($corrections)]);
            $this->stage($now, $row, $read);
        });
    }

    /**
     * Has the file read by a worker, which finds in the database what to do: an answer that was given is not lost with a process.
     *
     * @param  object{id: string, name: string, sha256: string}&\stdClass  $row
     */
    private function later(Intake $intake, \stdClass $row, mixed $corrections, mixed $base): void
    {
        if (TableType::of($this->source($intake->id, $row)) === null) {
            Corrections::read($corrections); // nonsense is refused at once
        }
        DB::transaction(function () use ($intake, $row, $corrections, $base): void {
            $now = $this->held($intake, $row->id, $base);
            DB::table('intake_files')
                ->where('id', $row->id)
                ->update(['corrections' => Json::encode($corrections), 'corrected_from' => Json::encode($base ?? new \stdClass)]);
            $now->update(['state' => 'correcting', 'problem' => null]);
            WorkOnIntake::begin($now);
        });
    }

    /** Reads what is to be read again, in a worker. When it cannot be, it stays as it was, and the intake says why. */
    public function finish(Intake $intake): void
    {
        /** @var list<object{id: string, name: string, sha256: string, corrections: string}&\stdClass> $rows */
        $rows = DB::table('intake_files')->where('intake_id', $intake->id)->whereNotNull('corrected_from')->get()->all();
        try {
            DB::transaction(function () use ($intake, $rows): void {
                if (Intake::query()->whereKey($intake->id)->where('state', 'correcting')->lockForUpdate()->doesntExist()) {
                    return;
                }
                foreach ($rows as $row) {
                    $things = $this->reread($intake->id, $row, Json::decode($row->corrections));
                    $hasMedia = DB::table('staged_things')->where('file_id', $row->id)->where('type', 'medium')->exists();
                    $this->stage($intake, $row, $hasMedia ? iterator_to_array($things, false) : $things);
                    DB::table('intake_files')->where('id', $row->id)->update(['corrected_from' => null]);
                }
                $intake->update(['state' => 'review']);
            });
        } catch (CoreException $problem) {
            self::giveUp($intake->id, $problem->getMessage());
        }
    }

    /** The corrections of before hold again. */
    public static function giveUp(string $intake, string $why): void
    {
        DB::transaction(function () use ($intake, $why): void {
            $isOurs = Intake::query()
                ->whereKey($intake)
                ->where('state', 'correcting')
                ->update(['state' => 'review', 'problem' => $why]);
            if ($isOurs === 1) {
                DB::table('intake_files')
                    ->where('intake_id', $intake)
                    ->whereNotNull('corrected_from')
                    ->update(['corrections' => DB::raw('corrected_from'), 'corrected_from' => null]);
            }
        });
    }

    /**
     * @param  object{id: string, name: string, sha256: string}&\stdClass  $row
     * @param  iterable<\stdClass|Medium|\WideQuarry\Interchange\Notice>  $read  a list where the file has media
     */
    private function stage(Intake $intake, \stdClass $row, iterable $read): void
    {
        [$kept, $states] = $this->kept($row->id);
        $this->stage->again($intake, $row, $read, $kept, is_array($read) ? $this->media($row->id, array_values($read)) : []);
        foreach ($states as $id => $state) {
            DB::table('staged_questions')->where('id', $id)->update($state);
        }
    }

    /** @param  object{id: string, name: string, sha256: string}&\stdClass  $row */
    private function source(string $intake, \stdClass $row): Source
    {
        return new Source($this->files->path($row->sha256), $row->name, $this->beside->of($intake, $row->id));
    }

    /**
     * Single cells of a table, where no more than their rows has to be read.
     *
     * @param  object{id: string, name: string, sha256: string}&\stdClass  $row
     */
    private function inPart(Intake $intake, \stdClass $row, mixed $corrections, mixed $base): bool
    {
        $source = $this->source($intake->id, $row);
        if (TableType::of($source) === null) {
            return false;
        }
        [$now, $before] = [TableCorrections::read($corrections), TableCorrections::read(is_object($base) ? $base : new \stdClass)];

        return (bool) DB::transaction(function () use ($intake, $row, $source, $corrections, $base, $now, $before): bool {
            $held = $this->held($intake, $row->id, $base);
            DB::table('intake_files')->where('id', $row->id)->update(['corrections' => Json::encode($corrections)]);
            $isDone = $this->part->handle($held, $row->id, $source, $now, $before);
            if (! $isDone) {
                DB::table('intake_files')->where('id', $row->id)->update(['corrections' => Json::encode($base ?? new \stdClass)]);
            }

            return $isDone;
        });
    }

    /** The intake, held, when it is in review and these corrections go on from those it has. */
    private function held(Intake $intake, string $file, mixed $base): Intake
    {
        /** @var Intake|null $now */
        $now = Intake::query()->whereKey($intake->id)->lockForUpdate()->first();
        if ($now?->state !== 'review') {
            throw Refused::because('intake.not_in_review', Message::of('app.actions.intake.intake-not-in-review'));
        }
        $held = DB::table('intake_files')->where('id', $file)->value('corrections');
        // objects without an order
        if (Json::decode(is_string($held) ? $held : '{}') != (is_object($base) ? $base : new \stdClass)) {
            throw Refused::because('intake.corrected', Message::of('app.actions.intake.corrected-meanwhile'));
        }

        return $now;
    }

    /**
     * @param  object{id: string, name: string, sha256: string}&\stdClass  $row
     * @return iterable<\stdClass|Medium|\WideQuarry\Interchange\Notice>
     */
    private function reread(string $intake, \stdClass $row, mixed $corrections): iterable
    {
        $source = $this->source($intake, $row);
        $table = TableType::of($source);
        if ($table !== null) {
            return (new TableReader($this->converter, TableCorrections::read($corrections)))->read($source, $table, $source->beside);
        }
        $type = DocumentType::of($source) ?? throw Refused::because(
            'intake.no_document',
            Message::of('app.actions.intake.not-a-document'),
        );

        return (new TypedReader($this->converter))->read($source, $type, Corrections::read($corrections));
    }

    /** @return array{array<string, array{id: string, json: \stdClass|null}>, array<string, array<string, mixed>>} rows, and their states */
    private function kept(string $file): array
    {
        $kept = $states = [];
        /** @var list<object{id: string, source_id: string, version: int, skipped: bool, decision: string|null}&\stdClass> $rows */
        $rows = DB::table('staged_questions')->where('file_id', $file)->get()->all();
        foreach ($rows as $row) {
            $kept[$row->source_id] = ['id' => $row->id, 'json' => $row->version > 1 ? StagedRows::json($row) : null];
            if ($row->version > 1 || $row->skipped || $row->decision !== null) {
                $states[$row->id] = ['version' => $row->version, 'skipped' => $row->skipped, 'decision' => $row->decision];
            }
        }

        return [$kept, $states];
    }

    /**
     * What the pictures of the document are called here: they were staged in the order they stand in it.
     *
     * @param  list<mixed>  $read
     * @return array<string, string>
     */
    private function media(string $file, array $read): array
    {
        $staged = DB::table('staged_things')
            ->where('file_id', $file)
            ->where('type', 'medium')
            ->orderBy('position')
            ->selectRaw("value->>'id' AS id")
            ->pluck('id')
            ->all();
        $given = array_values(array_map(
            fn (Medium $medium): string => $medium->id,
            array_filter($read, fn (mixed $thing): bool => $thing instanceof Medium),
        ));
        $names = [];
        foreach (count($given) === count($staged) ? $given : [] as $at => $id) {
            $names[$id] = is_string($staged[$at]) ? $staged[$at] : $id;
        }

        return $names;
    }
}
