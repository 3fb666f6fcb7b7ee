<?php

declare(strict_types=1);

namespace App\Actions\Dispatch;

use App\Models\Assessment;
use App\Models\User;
use App\Policies\DispatchRights;
use App\Storage\DraftFile;
use App\Storage\FileStore;
use Brick\Math\BigRational;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Interchange\DocumentConverter;
use WideQuarry\Interchange\ExportOptions;
use WideQuarry\Interchange\FixedRolls;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\PackageContents;
use WideQuarry\Interchange\QuestionTable\Written\TableFile;
use WideQuarry\Interchange\WritableFormat;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Writes the file of a dispatch, and the receipt that says what did not survive. The same content gives the same bytes. */
final readonly class WriteDispatch
{
    /** At most this many notices are listed in the receipt. */
    private const NAMED = 1000;

    public function __construct(
        private ExportCollector $collect,
        private FileStore $files,
        private PartKinds $kinds,
        private DocumentConverter $converter,
    ) {
    }

    public function handle(string $id): void
    {
        /** @var (object{id: string, user_id: string, format: string, what: string}&\stdClass)|null $dispatch */
        $dispatch = DB::table('dispatches')->where('id', $id)->where('state', 'writing')->first();
        $person = $dispatch === null ? null : User::query()->where('id', $dispatch->user_id)->first();
        $format = $dispatch === null ? null : Formats::standard($this->kinds, $this->converter)->named($dispatch->format);
        if ($dispatch === null || $person === null || $format === null) {
            return;
        }
        $what = Json::object($dispatch->what);
        $assessment = isset($what->assessment) ? Assessment::query()->where('id', $what->assessment)->first() : null;
        if (isset($what->assessment) && $assessment === null) {
            self::fail($id, Message::of('app.actions.dispatch.assessment-no-longer-exists'));

            return;
        }
        if (! DispatchRights::allow($person, $what)) {
            self::fail($id, Message::of('app.actions.dispatch.you-may-no-longer'));

            return;
        }
        $found = $this->collected($what, $assessment, $person);
        $asked = clone $found;
        if ($format instanceof TableFile && is_array($what->columns ?? null)) {
            $format = $format->choosing(array_values(array_filter($what->columns, is_string(...))));
        }
        [$kept, $notices] = $this->write($format, $found, is_int($what->rolls ?? null) ? $what->rolls : 1);
        $what->held =
            $assessment === null
                ? null
                : array_values(array_intersect(
                    $assessment->document()->questions(),
                    array_filter(array_column($found->questions, 'id'), is_string(...)),
                ));
        $body = ['format' => $dispatch->format, ...$this->receipt($asked, $found, $notices, $what, $kept)];
        self::finish($dispatch, $what, $body, $kept);
    }

    private function collected(\stdClass $what, ?Assessment $assessment, User $person): PackageContents
    {
        $along = new ExportOptions(
            $what->key === true,
            $what->feedback === true,
            $what->classification === true,
            $what->notes === true,
        );
        $questions = is_array($what->questions ?? null) ? array_values(array_filter($what->questions, is_string(...))) : [];

        return $assessment === null
            ? $this->collect->questions($questions, $along, is_string($what->bank ?? null) ? $what->bank : null)
            : $this->collect->assessment($assessment, $person, $along);
    }

    /**
     * @param  PackageContents  $found  has rolls in the place of questions afterwards, where the format has no values that vary
     * @return array{array{sha256: string, bytes: int}, list<Notice>} the file that is kept, and what became of the questions
     */
    private function write(WritableFormat $format, PackageContents $found, int $copies): array
    {
        $rolls = new FixedRolls($this->kinds);
        $fixed = $format->canVary() ? [] : $rolls->in($found, $copies);

        return DraftFile::write($format, $found, fn (string $file, array $notices): array => [
            $this->files->put($file),
            [...$fixed, ...$rolls->ofOriginals($notices)],
        ]);
    }

    private static function fail(string $id, string $problem): void
    {
        DB::table('dispatches')->where('id', $id)->update(['state' => 'failed', 'problem' => $problem]);
    }

    /**
     * @param  array<string, mixed>  $body
     * @param  array{sha256: string, bytes: int}  $kept
     */
    private static function finish(\stdClass $dispatch, \stdClass $what, array $body, array $kept): void
    {
        DB::transaction(function () use ($dispatch, $what, $body, $kept): void {
            $receipt = (string) Str::uuid7();
            DB::table('receipts')->insert([
                'id' => $receipt,
                'kind' => 'dispatch',
                'user_id' => $dispatch->user_id,
                'bank_id' => $dispatch->bank_id,
                'operation_id' => $dispatch->id,
                'title' => $dispatch->title,
                'body' => Json::encode($body),
            ]);
            DB::table('dispatches')
                ->where('id', $dispatch->id)
                ->update([
                    'state' => 'ready',
                    'what' => Json::encode($what),
                    'sha256' => $kept['sha256'],
                    'body' => Json::encode($body),
                    'receipt_id' => $receipt,
                    'updated_at' => now(),
                ]);
        });
    }

    /**
     * @param  PackageContents  $asked  before rolls of a question took its place
     * @param  list<Notice>  $notices
     * @param  array{sha256: string, bytes: int}  $kept
     * @return array<string, mixed>
     */
    private function receipt(PackageContents $asked, PackageContents $found, array $notices, \stdClass $what, array $kept): array
    {
        $by = array_count_values(array_map(fn (Notice $notice): string => $notice->severity, $notices));
        $shown = array_slice($notices, 0, self::NAMED);
        $names = DraftFile::names($asked, $shown);

        return [
            'questions' => count($found->questions),
            'stimuli' => count($found->stimuli),
            'media' => count($found->media),
            'assessments' => count($found->assessments),
            'sha256' => $kept['sha256'],
            'bytes' => $kept['bytes'],
            ...$this->totals($found),
            'along' => [
                'key' => $what->key,
                'feedback' => $what->feedback,
                'classification' => $what->classification,
                'notes' => $what->notes,
            ],
            'counts' => ['note' => $by['note'] ?? 0, 'loss' => $by['loss'] ?? 0, 'problem' => $by['problem'] ?? 0],
            'notices' => array_map(
                fn (Notice $notice): array => [...$notice->jsonSerialize(), 'title' => $names[$notice->question ?? ''] ?? null],
                $shown,
            ),
        ];
    }

    /**
     * What whoever receives it should count.
     *
     * @return array{points: int|float, tests: list<array{title: string, questions: int, draws: int}>}
     */
    private function totals(PackageContents $found): array
    {
        $points = array_reduce(
            $found->questions,
            fn (BigRational $sum, \stdClass $question): BigRational => $sum->plus(Question::read($question, $this->kinds)->points()),
            Exact::zero(),
        );
        $tests = array_map(function (\stdClass $json): array {
            $test = Document::read($json, $this->kinds);

            return ['title' => $test->title, 'questions' => $test->length(), 'draws' => count($test->draws())];
        }, $found->assessments);

        return ['points' => Exact::number($points), 'tests' => $tests];
    }
}
