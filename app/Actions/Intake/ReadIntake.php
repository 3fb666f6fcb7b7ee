<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Indexing\PreparedChunk;
use App\Indexing\QuestionChunk;
use App\Indexing\RowPipeline;
use App\Indexing\StagedRows;
use App\Models\Intake;
use App\Storage\FileStore;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\CoreException;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\Format;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\MediaNames;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageParts;
use WideQuarry\Interchange\PartChoice;
use WideQuarry\Interchange\Source;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\QuestionMedia;

/**
 * Reads the files of an intake into staged questions. A reader gives the same things in the same order each time, so one that
 * was stopped goes on where the last whole chunk ended.
 *
 * @phpstan-type WaitingFile object{id: string, name: string, sha256: string, things: int, parts: string|null,
 *     chosen: string|null}&\stdClass
 */
final readonly class ReadIntake
{
    private const CHUNK = 100;

    /** How long somebody who stops it, or looks at how far it is, waits at most. */
    private const SECONDS = 1.0;

    public function __construct(
        private PartKinds $kinds,
        private StagedRows $rows,
        private RowPipeline $pipeline,
        private FileStore $files,
        private MediaStore $media,
        private DuplicateFinder $judge,
        private DocumentConverter $converter,
        private ReturnedQuestions $returned,
        private PicturesBeside $beside,
    ) {
    }

    public function handle(Intake $intake): void
    {
        if (self::isStopped($intake->id)) {
            return; // asked while it waited for its turn: finding the questions of a document alone can take a while
        }
        foreach (self::waiting($intake->id) as $file) {
            try {
                if (! $this->file($intake, $file)) {
                    return;
                }
            } catch (CoreException|Refused $problem) {
                DB::table('intake_files')
                    ->where('id', $file->id)
                    ->update(['state' => 'failed', 'problem' => $problem->getMessage()]);
                if (! DB::table('intake_files')->where('sha256', $file->sha256)->where('id', '<>', $file->id)->exists()) {
                    $this->files->forget($file->sha256); // what was refused is not kept
                }
            }
        }
        $any = DB::table('staged_questions')->where('intake_id', $intake->id)->exists();
        $problem = DB::table('intake_files')
            ->where('intake_id', $intake->id)
            ->whereNotNull('problem')
            ->orderBy('position')
            ->value('problem');
        if ($any) {
            self::missingMedia($intake->id, $intake->bank_id);
            $this->judge->handle($intake->id, $intake->bank_id);
        }
        Intake::query()
            ->whereKey($intake->id)
            ->where('state', 'reading')
            ->update(
                $any
                    ? ['state' => 'review']
                    : ['state' => 'failed', 'problem' => $problem ?? Message::of('app.actions.intake.nothing-found-import')],
            );
    }

    /** @return list<WaitingFile> in their order */
    private static function waiting(string $intake): array
    {
        /** @var list<WaitingFile> */
        return DB::table('intake_files')
            ->where('intake_id', $intake)
            ->where('state', 'waiting')
            ->orderBy('position')
            ->get()
            ->all();
    }

    /**
     * @param  WaitingFile  $file
     * @return bool false when it was asked to stop
     */
    private function file(Intake $intake, \stdClass $file): bool
    {
        $chosen = is_string($file->chosen) ? Json::decode($file->chosen) : null;
        $choice = is_array($chosen) ? PartChoice::of(array_values(array_filter($chosen, is_string(...)))) : new PartChoice;
        $source = new Source($this->files->path($file->sha256), $file->name, $this->beside->of($intake->id, $file->id), $choice);
        if ($this->beside->serves($intake->id, $file->id, $source)) {
            DB::table('intake_files')->where('id', $file->id)->update(['state' => 'read', 'format' => 'pictures']);

            return true;
        }
        $formats = Formats::standard($this->kinds, $this->converter);
        if ($formats->isFramework($source)) {
            throw Refused::because('intake.framework', Message::of('app.actions.intake.is-a-framework', ['name' => $file->name]));
        }
        $format = $formats->for($source, Formats::QUESTIONS);
        DB::table('intake_files')
            ->where('id', $file->id)
            ->update(['format' => $format->name()]);
        $number = DB::table('staged_questions')->where('intake_id', $intake->id)->max('number');
        $number = is_int($number) ? $number : 0;
        $things = self::things($format, $source, $file);
        foreach ($this->pipeline->prepared($this->chunks($intake, $file, $source, $things, $number)) as [$made, $chunk]) {
            if (! $this->flush($intake->id, $file->id, $made, $chunk)) {
                return false;
            }
        }
        self::number($intake->id); // one that could not be read has left a gap
        self::group($file->id);
        DB::table('intake_files')
            ->where('id', $file->id)
            ->update(['state' => 'read', 'bytes_read' => DB::raw('bytes_all')]);

        return true;
    }

    /**
     * The things of a file, some at a time: as many as are stored in one go, or what was found in a second. Those that were stored
     * before it was stopped are passed over.
     *
     * @param  object{id: string, name: string, things: int}&\stdClass  $file
     * @param  iterable<\stdClass|Medium|Notice>  $things
     * @param  int  $number  of the last question before them
     * @return \Generator<QuestionChunk>
     */
    private function chunks(Intake $intake, \stdClass $file, Source $source, iterable $things, int $number): \Generator
    {
        $names = $this->names($intake->id, $file->id);
        $media = $given = $others = [];
        $position = 0;
        $flushed = microtime(true);
        foreach ($things as $thing) {
            if ($thing instanceof Medium) {
                $thing = ImportedMedium::of($thing); // before it is named: names go by the bytes that are kept
            }
            if ($thing instanceof Medium) {
                $media[$thing->id] = $names->for($thing->id, $thing->sha256);
            }
            if ($position++ < $file->things) {
                continue;
            }
            $place = ['intake_id' => $intake->id, 'file_id' => $file->id, 'position' => $position];
            if ($thing instanceof \stdClass && $thing->type === 'question' && $thing->value instanceof \stdClass) {
                $question = $this->returned->whole($thing->value, $intake->user_id);
                $this->rows->match($question);
                $given[] = ['question' => $question, 'place' => ['id' => (string) Str::uuid7(), ...$place, 'number' => ++$number]];
            } else {
                $others[] = [...$place, ...$this->thing($thing, $media)];
            }
            if ($position % self::CHUNK === 0 || microtime(true) - $flushed > self::SECONDS) {
                yield new QuestionChunk($file->name, $given, self::renamed($media), $others, $position, $source->progress());
                $given = $others = [];
                $flushed = microtime(true);
            }
        }
        yield new QuestionChunk($file->name, $given, self::renamed($media), $others, $position, $source->progress());
    }

    /**
     * @param  array<string, string>  $media
     * @return array<string, string> those that are called otherwise here
     */
    private static function renamed(array $media): array
    {
        return array_filter($media, fn (string $here, int|string $there): bool => $here !== (string) $there, ARRAY_FILTER_USE_BOTH);
    }

    /**
     * What a file holds, after what of it was left out by choice.
     *
     * @param  object{parts: string|null}&\stdClass  $file
     * @return iterable<\stdClass|Medium|Notice>
     */
    private static function things(Format $format, Source $source, \stdClass $file): iterable
    {
        if (! $source->choice->isEverything()) {
            $left = PackageParts::read(Json::decode($file->parts ?? '{}'))->leftOut($source->choice);
            yield from $left === null ? [] : [$left];
        }
        yield from $source->choice->ids() === [] && ! $source->choice->isEverything() ? [] : $format->read($source);
    }

    /**
     * Stages the things of a file anew, in the place of those it had; to be called in a transaction. Media stay.
     *
     * @param  object{id: string, name: string}&\stdClass  $file
     * @param  iterable<\stdClass|Medium|Notice>  $things
     * @param  array<string, array{id: string, json: \stdClass|null}>  $kept  question of the file → its row, and what it was edited to
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     */
    public function again(Intake $intake, \stdClass $file, iterable $things, array $kept, array $media): void
    {
        DB::table('staged_questions')->where('file_id', $file->id)->delete();
        DB::table('staged_things')->where('file_id', $file->id)->where('type', '<>', 'medium')->delete();
        foreach ($this->pipeline->prepared($this->chunksAgain($intake, $file, $things, $kept, $media)) as [$made, $chunk]) {
            $this->rows->store($made->rows);
            DB::table('staged_things')->insertOrIgnore([...$chunk->things, ...self::said($made, $intake->id, $file->id)]);
        }
        self::group($file->id);
        self::number($intake->id);
        self::missingMedia($intake->id, $intake->bank_id);
        $this->judge->handle($intake->id, $intake->bank_id);
    }

    /**
     * @param  object{id: string, name: string}&\stdClass  $file
     * @param  iterable<\stdClass|Medium|Notice>  $things
     * @param  array<string, array{id: string, json: \stdClass|null}>  $kept
     * @param  array<string, string>  $media
     * @return \Generator<QuestionChunk>
     */
    private function chunksAgain(Intake $intake, \stdClass $file, iterable $things, array $kept, array $media): \Generator
    {
        $given = $others = [];
        $position = 0;
        foreach ($things as $thing) {
            $place = ['intake_id' => $intake->id, 'file_id' => $file->id, 'position' => ++$position];
            if ($thing instanceof Medium) {
                continue;
            }
            if ($thing instanceof \stdClass && $thing->type === 'question' && $thing->value instanceof \stdClass) {
                $before = is_string($thing->value->id ?? null) ? $kept[$thing->value->id] ?? null : null;
                $question = $before['json'] ?? $this->returned->whole($thing->value, $intake->user_id);
                $this->rows->match($question);
                $given[] = ['question' => $question, 'place' => ['id' => $before['id'] ?? (string) Str::uuid7(), ...$place, 'number' => 0]];
            } else {
                $others[] = [...$place, ...$this->thing($thing, $media)];
            }
            if ($position % self::CHUNK === 0) {
                yield new QuestionChunk($file->name, $given, $media, $others);
                $given = $others = [];
            }
        }
        yield new QuestionChunk($file->name, $given, $media, $others);
    }

    /** @return list<array<string, mixed>> what is to be said of questions, as rows */
    private static function said(PreparedChunk $made, string $intake, string $file): array
    {
        return array_map(
            fn (array $notice): array => ['intake_id' => $intake, 'file_id' => $file, 'type' => 'notice', ...$notice],
            $made->notices,
        );
    }

    /** Numbers the questions of an intake from one on, in the order of its files. */
    private static function number(string $intake): void
    {
        DB::statement(
            <<<'SQL'
            UPDATE staged_questions SET number = numbered.number FROM (
                SELECT staged.id, row_number() OVER (ORDER BY files.position, staged.position) AS number
                FROM staged_questions AS staged JOIN intake_files AS files ON files.id = staged.file_id WHERE staged.intake_id = ?
            ) AS numbered WHERE staged_questions.id = numbered.id AND staged_questions.number <> numbered.number
            SQL,
            [$intake],
        );
    }

    /** Says of each question which names a medium that neither the files nor the bank have. */
    private static function missingMedia(string $intake, ?string $bank): void
    {
        /** @var list<object{file_id: string, position: int, source_id: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT file_id, position, source_id FROM staged_questions WHERE intake_id = ? AND media <> '{}' AND EXISTS
                (SELECT 1 FROM unnest(media) AS named (id) WHERE id NOT IN (SELECT value->>'id' FROM staged_things
                WHERE staged_things.intake_id = ? AND type = 'medium') AND id NOT IN (SELECT id FROM media WHERE bank_id = ?))
            SQL,
            [$intake, $intake, $bank],
        );
        $sentence = Message::of('question.medium-missing');
        foreach (array_chunk($rows, 1000) as $some) {
            DB::table('staged_things')->insertOrIgnore(
                array_map(
                    fn (\stdClass $row): array => [
                        'intake_id' => $intake,
                        'file_id' => $row->file_id,
                        'position' => -($row->position * 100 + 99),
                        'type' => 'notice',
                        'question' => $row->source_id,
                        'value' => Json::encode(Notice::loss('media.missing', $sentence, null, null, $row->source_id)),
                    ],
                    $some,
                ),
            );
        }
    }

    /** Names of each staged question the group of the file that it is in. */
    private static function group(string $file): void
    {
        DB::statement(
            <<<'SQL'
                UPDATE staged_questions SET grp = named.id
                    FROM (SELECT DISTINCT ON (one.id) things.value->>'id' AS id, one.id AS question
                    FROM staged_things AS things, jsonb_array_elements_text(CASE jsonb_typeof(things.value->'questions')
                    WHEN 'array' THEN things.value->'questions' ELSE '[]' END) AS one (id) WHERE file_id = ? AND type = 'group'
                    ORDER BY one.id, position) AS named WHERE file_id = ? AND source_id::text = named.question
                SQL,
            [$file, $file],
        );
    }

    /** What media are called that other files of the intake brought. */
    private function names(string $intake, string $file): MediaNames
    {
        /** @var array<string, string> $there */
        $there = DB::table('staged_things')
            ->where('intake_id', $intake)
            ->where('file_id', '<>', $file)
            ->where('type', 'medium')
            ->selectRaw("value->>'id' AS id, value->>'sha256' AS sha256")
            ->pluck('sha256', 'id')
            ->all();

        return new MediaNames($there);
    }

    /**
     * @param  array<string, string>  $media  as the file calls them → as they are called here
     * @return array{type: string, question: string|null, value: string}
     */
    private function thing(\stdClass|Medium|Notice $thing, array $media): array
    {
        if ($thing instanceof Medium) {
            $this->media->keep($thing);

            return [
                'type' => 'medium',
                'question' => null,
                'value' => Json::encode([...$thing->describe(), 'id' => $media[$thing->id], 'bytes' => strlen($thing->bytes)]),
            ];
        }
        if ($thing instanceof Notice) {
            return ['type' => 'notice', 'question' => $thing->question, 'value' => Json::encode($thing)];
        }

        return [
            'type' => is_string($thing->type) ? $thing->type : '',
            'question' => null,
            'value' => Json::encode($thing->value instanceof \stdClass ? QuestionMedia::renamed($thing->value, $media) : $thing->value),
        ];
    }

    /** @return bool false when it was asked to stop */
    private function flush(string $intake, string $file, PreparedChunk $made, QuestionChunk $chunk): bool
    {
        [$read, $all] = $chunk->progress;
        DB::transaction(function () use ($intake, $file, $made, $chunk, $read, $all): void {
            $this->rows->store($made->rows);
            DB::table('staged_things')->insertOrIgnore([...$chunk->things, ...self::said($made, $intake, $file)]);
            DB::table('intake_files')
                ->where('id', $file)
                ->update(['things' => $chunk->position, 'bytes_read' => $read, 'bytes_all' => $all]);
            DB::table('intakes')
                ->where('id', $intake)
                ->update(['updated_at' => now()]);
        });

        return ! self::isStopped($intake);
    }

    /** Whether it was asked to stop; then nothing of it stays. */
    private static function isStopped(string $intake): bool
    {
        if (DB::table('intakes')->where('id', $intake)->where('stop_asked', false)->where('state', 'reading')->exists()) {
            return false;
        }
        DB::table('staged_questions')->where('intake_id', $intake)->delete();
        DB::table('staged_things')->where('intake_id', $intake)->delete();
        DB::table('intakes')
            ->where('id', $intake)
            ->update(['state' => 'cancelled']);

        return true;
    }
}
