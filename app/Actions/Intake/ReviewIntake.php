<?php

declare(strict_types=1);

namespace App\Actions\Intake;

use App\Errors\Refused;
use App\Indexing\StagedRows;
use App\Models\Intake;
use App\Queries\SourceQuestions;
use App\Queries\StagedQuestions;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Messages\Message;
use WideQuarry\Migration\NamePattern;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Approval;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\PlacesChange;
use WideQuarry\Question\PointsChange;
use WideQuarry\Question\Question;
use WideQuarry\Question\RecordChange;
use WideQuarry\Question\Status;
use WideQuarry\Question\UnhelpfulTitle;

/** What is decided in a review: one question mended, or many set at once. */
final readonly class ReviewIntake
{
    private const CHUNK = 200;

    public function __construct(private StagedRows $rows, private DuplicateFinder $judge, private PartKinds $kinds)
    {
    }

    /**
     * @param  int  $base  the version it was started from
     * @return bool false when somebody else has saved since, and nothing was stored
     *
     * @throws Refused|\WideQuarry\Json\Malformed
     */
    public function mend(Intake $intake, string $staged, \stdClass $question, int $base): bool
    {
        $this->open($intake);

        /** @var bool */
        return DB::transaction(function () use ($intake, $staged, $question, $base): bool {
            $stored = $this->rows->update($staged, $question, $base);
            if ($stored) {
                $this->judge->handle($intake->id, $intake->bank_id);
            }

            return $stored;
        });
    }

    /**
     * @return array{changed: int, left: list<array{id: string, title: string, why: string}>}
     *
     * @throws Refused|\WideQuarry\Json\Malformed
     */
    public function set(Intake $intake, Fields $fields): array
    {
        $this->open($intake);
        $rows = $this->target($intake, $fields);
        $plain = [];
        if ($fields->has('skipped')) {
            $plain['skipped'] = $fields->bool('skipped', false);
        }
        if ($fields->has('decision')) {
            $plain['decision'] =
                $fields->raw('decision') === null ? null : $fields->oneOf('decision', ['skip', 'add', 'replace'], 'skip');
        }
        $changed = $plain === [] ? 0 : (clone $rows)->whereNull('outcome')->update($plain);
        $left = [];
        if ($fields->has('points') || $fields->has('record') || $fields->has('topics')) {
            [$changed, $left] = $this->contents($intake, $rows, $fields);
        }
        if ($fields->has('titles')) {
            $changed = $this->titles($intake, $rows, NamePattern::read($fields->string('titles', '', 500)));
        }
        $this->judge->handle($intake->id, $intake->bank_id);

        return ['changed' => $changed, 'left' => $left];
    }

    /** Gives those whose title says nothing one from their words, or else by the pattern. */
    private function titles(Intake $intake, Builder $rows, NamePattern $pattern): int
    {
        $known = SourceQuestions::of($intake);
        $changed = 0;
        foreach (array_chunk($rows->whereNull('outcome')->orderBy('number')->pluck('staged_questions.id')->all(), self::CHUNK) as $ids) {
            DB::transaction(function () use ($ids, $known, $pattern, &$changed): void {
                /** @var object{id: string}&\stdClass $row */
                foreach (DB::table('staged_questions')->whereIn('id', $ids)->lockForUpdate()->get() as $row) {
                    $json = StagedRows::json($row);
                    if (! UnhelpfulTitle::saysNothing(is_string($json->title ?? null) ? $json->title : '')) {
                        continue;
                    }
                    $title = UnhelpfulTitle::proposal(Question::read($json, $this->kinds)) ??
                        (isset($known[$row->id]) ? $pattern->line($known[$row->id]) : '');
                    if ($title !== '') {
                        $json->title = mb_substr($title, 0, 500);
                        $this->rows->update($row->id, $json);
                        $changed++;
                    }
                }
            });
        }

        return $changed;
    }

    /** @return array{int, list<array{id: string, title: string, why: string}>} */
    private function contents(Intake $intake, Builder $rows, Fields $fields): array
    {
        $points = $fields->has('points') ? Exact::of($fields->decimal('points', '100000')) : null;
        $record = RecordChange::read($fields->has('record') ? $fields->raw('record') : new \stdClass(), '/record');
        $topics = PlacesChange::read($fields->object('topics', ['set', 'add', 'remove']));
        $changed = 0;
        $left = [];
        foreach (array_chunk($rows->whereNull('outcome')->orderBy('number')->pluck('staged_questions.id')->all(), self::CHUNK) as $ids) {
            DB::transaction(function () use ($ids, $points, $record, $topics, &$changed, &$left): void {
                /** @var iterable<object{id: string, title: string, is_complete: bool, specimens_failing: int}&\stdClass> $some */
                $some = DB::table('staged_questions')->whereIn('id', $ids)->lockForUpdate()->get();
                foreach ($some as $row) {
                    $json = StagedRows::json($row);
                    $after = $points === null ? $json : PointsChange::to($json, $points);
                    if ($after === null) {
                        $left[] = [
                            'id' => $row->id,
                            'title' => $row->title,
                            'why' => 'Its parts cannot share these points evenly; set them part by part.',
                        ];

                        continue;
                    }
                    assert($after->record instanceof \stdClass);
                    $recorded = $record->apply($after->record);
                    $refusal =
                        $record->status() === Status::Approved->value
                            ? Approval::refusal($row->is_complete, $row->specimens_failing)
                            : null;
                    if ($refusal !== null) {
                        $left[] = ['id' => $row->id, 'title' => $row->title, 'why' => $refusal];

                        continue;
                    }
                    /** @var list<list<string>> $present */
                    $present = $recorded->topics ?? [];
                    $paths = $topics->apply($present);
                    unset($recorded->topics);
                    if ($paths !== []) {
                        $recorded->topics = $paths;
                    }
                    $after->record = $recorded;
                    $this->rows->update($row->id, $after);
                    $changed++;
                }
            });
        }

        /** @var list<array{id: string, title: string, why: string}> $left */
        return [$changed, $left];
    }

    private function target(Intake $intake, Fields $fields): Builder
    {
        if ($fields->has('filter')) {
            return StagedQuestions::read($intake, $fields->string('filter', '', 5000))->rows();
        }
        $ids = [];
        foreach ($fields->list('ids', 50_000) as $i => $id) {
            $ids[] = Fields::asUuid($id, "/ids/$i");
        }

        return DB::table('staged_questions')->where('intake_id', $intake->id)->whereIn('id', $ids);
    }

    private function open(Intake $intake): void
    {
        if ($intake->state !== 'review') {
            throw Refused::because(
                'intake.not_in_review',
                Message::of('app.actions.intake.intake-not-in-review'),
            );
        }
    }
}
