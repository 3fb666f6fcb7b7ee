<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Infrastructure\PostgresArray;
use App\Models\User;
use App\Queries\CarriedQuestions;
use App\Queries\Folders;
use App\Queries\PlacedQuestions;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Bulk\CarryOver;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Migration\NamePattern;
use WideQuarry\Migration\Regrouping;
use WideQuarry\Question\PartKinds;
use WideQuarry\Sharing\Role;

/** Carries an act on from where it is to its end, or until somebody stops it; each chunk is committed, so nothing is done twice. */
final readonly class RunOperation
{
    public function __construct(
        private ChangeChunk $chunk,
        private CopyChunk $copy,
        private MergeNodes $merge,
        private StatesBefore $restoring,
        private BranchSnapshot $branch,
        private CarriedQuestions $carried,
        private CarriedAssessments $assessments,
        private QuestionSearch $search,
        private PartKinds $kinds,
    ) {
    }

    public function handle(string $id): void
    {
        if (
            DB::table('bulk_operations')
                ->where('id', $id)
                ->whereIn('state', ['waiting', 'running'])
                ->update(['state' => 'running']) === 0
        ) {
            return;
        }
        $act = StoredOperation::find($id);
        $person = User::query()->whereKey($act->userId)->firstOrFail();
        if (! $this->mayGoOn($act, $person)) {
            BulkOperation::ended($id, 'failed');

            return;
        }
        match ($act->kind) {
            'undo' => $this->undo($act, $person),
            'copy' => $this->copy($act, $person),
            'carry' => $this->carry($act, $person),
            'merge', 'remove' => $this->merge->handle($act, $person, fn (): bool => $this->mayGoOn($act, $person) && $this->goesOn($id)),
            default => $this->change($act, $person),
        };
        BulkOperation::ended($id, 'done');
    }

    private function change(StoredOperation $act, User $person): void
    {
        $change = BulkChange::read($act->what->change ?? null);
        $regroup = ($act->what->regroup ?? null) instanceof \stdClass ? $act->what->regroup : null;
        foreach ($this->chunks($act, $act->text('from') ?? $act->bank(), $person) as $some) {
            $this->chunk->handle(
                $act->id,
                $some,
                $act->bank(),
                FieldsNeeded::of($change),
                $regroup === null
                    ? fn (\stdClass $row, QuestionState $now): QuestionState => $change->apply($now, $this->kinds)
                    : self::regrouped($some, $act->bank(), $regroup),
                $person,
            );
        }
    }

    /**
     * Each into the folder that the pattern names for it, in the place of those it was in.
     *
     * @param  list<string>  $some
     * @return \Closure(\stdClass, QuestionState): QuestionState
     */
    private static function regrouped(array $some, string $bankId, \stdClass $regroup): \Closure
    {
        $names = [];
        foreach (($regroup->names ?? null) instanceof \stdClass ? get_object_vars($regroup->names) : [] as $folder => $name) {
            $names[(string) $folder] = is_string($name) ? $name : '';
        }
        $grouped = Regrouping::of([], NamePattern::read(is_string($regroup->pattern ?? null) ? $regroup->pattern : ''), $names);
        $known = PlacedQuestions::of($some, $bankId);

        return function (\stdClass $row, QuestionState $now) use ($known, $grouped): QuestionState {
            $id = is_string($row->id ?? null) ? $row->id : '';
            $path = isset($known[$id]) ? $grouped->path($known[$id]) : [];

            return $now->after(
                $now->record,
                $now->topics,
                $path === [] ? $now->folders : [$path],
                $now->content,
                $now->isBinned,
                $now->isHome,
            );
        };
    }

    private function undo(StoredOperation $act, User $person): void
    {
        $undoes = $act->text('undoes') ?? '';
        $fields = DB::table('changes')->where('operation_id', $undoes)->distinct()->pluck('field')->all();
        $needs = FieldsNeeded::toRestore(array_values(array_filter($fields, is_string(...))));
        $last = $act->last;
        // acts of one question had no bank once; then it is where that question lives
        $bank = $act->bankId ?? self::bankOf($undoes);
        while ($this->mayGoOn($act, $person) && $this->goesOn($act->id)) {
            [$ids, $befores] = $this->restoring->next($undoes, $last, $act->ids());
            if ($ids === []) {
                $this->regrow($act);

                return;
            }
            $this->chunk->handle(
                $act->id,
                $ids,
                $bank,
                $needs,
                fn (\stdClass $row, QuestionState $now): QuestionState => $this->restoring->apply(
                    $row,
                    $now,
                    $befores[is_string($row->id) ? $row->id : ''],
                ),
                $person,
            );
            $last = $ids[count($ids) - 1];
        }
    }

    /** Takes out what an act made beside questions, and restores the branch after them: they may have recreated part of it. */
    private function regrow(StoredOperation $act): void
    {
        $stored = DB::table('bulk_operations')->where('id', $act->text('undoes'))->value('what');
        $done = is_string($stored) ? Json::decode($stored) : null;
        if (! $done instanceof \stdClass || $act->ids() !== null) {
            return;
        }
        $this->assessments->takeOut($done);
        if (is_array($done->branch ?? null) && in_array($done->tree ?? '', ['folders', 'topics'], true)) {
            $this->branch->restore($done->tree, $act->bank(), $done->branch);
        }
    }

    /** Copies; and originals into the bin, where that was asked for and the person may. */
    private function copy(StoredOperation $act, User $person): void
    {
        foreach ($this->chunks($act, $act->text('from') ?? $act->bank(), $person) as $some) {
            DB::transaction(function () use ($act, $some, $person): void {
                $this->copy->handle($act->id, $some, $act->bank(), self::folders($act), $person);
                if (($act->what->bin ?? false) === true) {
                    $this->binOriginals($act->id, $some, $person);
                }
            });
        }
    }

    /** Takes questions to another bank as copies, or places them there too; their assessments once all questions are there. */
    private function carry(StoredOperation $act, User $person): void
    {
        [$id, $bank] = [$act->id, $act->bank()];
        $plan = self::plan($act);
        $carry = $plan->carryOver();
        foreach ($this->chunks($act, $plan->from, $person) as $some) {
            if ($plan->isCopying) {
                $this->copy->handle($id, $some, $bank, null, $person, $carry);
            } else {
                $this->place($id, $some, $bank, $plan->from, $carry, $person);
            }
        }
        if ($this->goesOn($id)) {
            $this->assessments->make($id, $bank, $plan, $person);
        }
    }

    /** The bank of the questions that an act changed. */
    private static function bankOf(string $act): string
    {
        $bank = DB::table('changes')
            ->join('questions', 'questions.id', '=', 'question_id')
            ->where('operation_id', $act)
            ->value('bank_id');

        return is_string($bank) ? $bank : '';
    }

    /** @return list<list<string>>|null where copies lie; null for folders of the names that the originals are in */
    private static function folders(StoredOperation $act): ?array
    {
        return ($act->what->folders ?? null) === null ? null : Folders::read(Fields::of($act->what, '', array_keys((array) $act->what)));
    }

    private static function plan(StoredOperation $act): CarryPlan
    {
        return CarryPlan::stored($act->what);
    }

    /** @param  list<string>  $some */
    private function place(string $act, array $some, string $bank, string $from, CarryOver $carry, User $person): void
    {
        $there = Folders::paths($some, $from);
        $this->chunk->handle(
            $act,
            $some,
            $bank,
            FieldsNeeded::of(BulkChange::read((object) ['folders' => (object) ['add' => [['…']]]])),
            function (\stdClass $row, QuestionState $now) use ($there, $carry): QuestionState {
                $add = $carry->folders($there[is_string($row->id ?? null) ? $row->id : ''] ?? []);

                return BulkChange::read((object) ['folders' => (object) ['add' => $add]])->apply($now, $this->kinds);
            },
            $person,
        );
    }

    /** @param  list<string>  $originals  those that were not left */
    private function binOriginals(string $act, array $originals, User $person): void
    {
        $bin = BulkChange::read((object) ['bin' => true]);
        /** @var list<object{bank_id: string, ids: string}&\stdClass> $homes */
        $homes = DB::select(
            <<<'SQL'
                    SELECT questions.bank_id, array_agg(questions.id ORDER BY questions.id) AS ids FROM questions
                        JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id AND mine.role <> 'reader'
                        WHERE questions.id = ANY (?::uuid[])
                            AND questions.id NOT IN (SELECT question_id FROM bulk_skips WHERE operation_id = ?)
                        GROUP BY 1
                    SQL,
            [$person->id, '{'.implode(',', $originals).'}', $act],
        );
        foreach ($homes as $home) {
            $this->chunk->handle(
                $act,
                PostgresArray::read($home->ids),
                $home->bank_id,
                FieldsNeeded::of($bin),
                fn (\stdClass $row, QuestionState $now): QuestionState => $bin->apply($now, $this->kinds),
                $person,
                counts: false,
            );
        }
    }

    /**
     * The questions of an act that are not done yet, some at a time, until it is stopped.
     *
     * @return \Generator<list<string>>
     */
    private function chunks(StoredOperation $act, string $bankId, User $person): \Generator
    {
        // what came after it, such as its own copies, is not meant
        $ids = match (true) {
            $act->kind === 'carry' => array_merge(...array_values($this->carried->of(
                self::plan($act),
                $person,
                $act->createdAt,
            ))),
            default => $act->ids() ?? $this->search->ids(
                Scope::bank($bankId),
                QuestionFilter::fromQuery($act->text('filter') ?? ''),
                $act->last,
                until: $act->createdAt,
            ),
        };
        sort($ids);
        $after = array_values(array_filter($ids, fn (string $id): bool => $id > ($act->last ?? '')));
        foreach (array_chunk($after, ChangeChunk::SIZE) as $some) {
            if (! $this->goesOn($act->id)) {
                return;
            }
            if (! $this->mayGoOn($act, $person)) {
                BulkOperation::ended($act->id, 'failed');

                return;
            }
            yield $some;
        }
    }

    /**
     * Rights may have been taken away since it began: asked again before each chunk. Where a filter looks elsewhere, that has to be
     * readable.
     *
     * @phpstan-impure
     */
    private function mayGoOn(StoredOperation $act, User $person): bool
    {
        $from = $act->text('from');
        $source =
            $from !== null && in_array($act->kind, ['change', 'copy', 'carry'], true) && $from !== $act->bankId
                ? $person->roleIn($from)
                : Role::Reader;

        return $source !== null && ($act->bankId === null || $person->canEdit($act->bankId));
    }

    private function goesOn(string $id): bool
    {
        return DB::table('bulk_operations')->where('id', $id)->value('state') === 'running';
    }
}
