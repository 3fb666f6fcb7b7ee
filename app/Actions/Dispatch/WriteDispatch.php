<?php

declare(strict_types=1);

namespace App\Actions\Dispatch;

use App\Models\Assessment;
use App\Models\User;
use App\Support\Dispatch\Collect;
use App\Support\Dispatch\DispatchRights;
use App\Support\FileStore;
use App\Support\Refused;
use Brick\Math\BigRational;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Interchange\Along;
use WideQuarry\Interchange\Formats;
use WideQuarry\Interchange\Found;
use WideQuarry\Interchange\Notice;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

/** Writes the file of a dispatch, and the receipt that says what did not survive. The same content gives the same bytes. */
final readonly class WriteDispatch
{
    public function __construct(private Collect $collect, private FileStore $files, private Parts $kinds)
    {
    }

    public function handle(string $id): void
    {
        $dispatch = DB::table('dispatches')->where('id', $id)->where('state', 'writing')->first();
        $person = $dispatch === null ? null : User::query()->where('id', $dispatch->user_id)->first();
        $format = $dispatch === null ? null : Formats::standard($this->kinds)->named($dispatch->format);
        if ($dispatch === null || $person === null || $format === null) {
            return;
        }
        $what = Json::decode($dispatch->what);
        $along = new Along($what->key, $what->feedback, $what->classification, $what->notes);
        $assessment = isset($what->assessment) ? Assessment::query()->where('id', $what->assessment)->first() : null;
        if (isset($what->assessment) && $assessment === null) {
            DB::table('dispatches')->where('id', $id)->update(['state' => 'failed', 'problem' => 'The assessment is not there any more.']);

            return;
        }
        if (! DispatchRights::allow($person, $what)) {
            DB::table('dispatches')->where('id', $id)->update(['state' => 'failed', 'problem' => 'You may no longer read everything in this export. Start it again with what you may read.']);

            return;
        }
        $found = $assessment === null ? $this->collect->questions($what->questions, $along, is_string($what->bank ?? null) ? $what->bank : null) : $this->collect->assessment($assessment, $person, $along);
        $file = (string) tempnam(sys_get_temp_dir(), 'dispatch');
        try {
            $notices = $format->write($found, $file);
        } catch (\RuntimeException) {
            throw Refused::because('storage.full', 'The server could not write the file; its disk may be full. Tell whoever runs the server, then try again.');
        }
        try {
            $kept = $this->files->put($file);
        } finally {
            is_file($file) && unlink($file);
        }
        $what->held = $assessment === null ? null : array_column($found->questions, 'id');
        $by = array_count_values(array_map(fn (Notice $notice): string => $notice->severity, $notices));
        $titles = array_column($found->questions, 'title', 'id');
        $body = [
            'questions' => count($found->questions), 'stimuli' => count($found->stimuli), 'media' => count($found->media), 'assessments' => count($found->assessments), 'format' => $dispatch->format, 'sha256' => $kept['sha256'], 'bytes' => $kept['bytes'],
            ...$this->totals($found),
            'along' => ['key' => $what->key, 'feedback' => $what->feedback, 'classification' => $what->classification, 'notes' => $what->notes], 'counts' => ['note' => $by['note'] ?? 0, 'loss' => $by['loss'] ?? 0, 'problem' => $by['problem'] ?? 0],
            'notices' => array_map(fn (Notice $notice): array => [...$notice->jsonSerialize(), 'title' => $titles[$notice->question ?? ''] ?? null], array_slice($notices, 0, 1000)),
        ];
        DB::transaction(function () use ($dispatch, $what, $body, $kept): void {
            $receipt = (string) Str::uuid7();
            DB::table('receipts')->insert(['id' => $receipt, 'kind' => 'dispatch', 'user_id' => $dispatch->user_id, 'bank_id' => $dispatch->bank_id, 'act_id' => $dispatch->id, 'title' => $dispatch->title, 'body' => Json::encode($body)]);
            DB::table('dispatches')->where('id', $dispatch->id)->update(['state' => 'ready', 'what' => Json::encode($what), 'sha256' => $kept['sha256'], 'body' => Json::encode($body), 'receipt_id' => $receipt, 'updated_at' => now()]);
        });
    }

    /**
     * What whoever receives it should count.
     *
     * @return array{points: int|float, tests: list<array{title: string, questions: int, draws: int}>}
     */
    private function totals(Found $found): array
    {
        $points = array_reduce($found->questions, fn (BigRational $sum, \stdClass $question): BigRational => $sum->plus(Question::read($question, $this->kinds)->points()), Exact::zero());
        $tests = array_map(function (\stdClass $json): array {
            $test = Document::read($json, $this->kinds);

            return ['title' => $test->title, 'questions' => $test->length(), 'draws' => count($test->draws())];
        }, $found->assessments);

        return ['points' => Exact::number($points), 'tests' => $tests];
    }
}
