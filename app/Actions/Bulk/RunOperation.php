<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

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
        $act = BulkOperation::find($id);
        $person = User::query()->whereKey($act->user_id)->firstOrFail();
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

    private function change(\stdClass $act, User $person): void
    {
        $change = BulkChange::read($act->what->change);
        $what = $act->what instanceof \stdClass ? $act->what : new \stdClass;
        $regroup = ($what->regroup ?? null) instanceof \stdClass ? $what->regroup : null;
        foreach ($this->chunks($act, $act->what->from ?? $act->bank_id, $person) as $some) {
            $this->chunk->handle(
                $act->id,
                $some,
                $act->bank_id,
                FieldsNeeded::of($change),
                $regroup === null
                    ? fn (\stdClass $row, QuestionState $now): QuestionState => $change->apply($now, $this->kinds)
                    : self::regrouped($some, is_string($act->bank_id) ? $act->bank_id : '', $regroup),
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

    private function undo(\stdClass $act, User $person): void
    {
        $fields = DB::table('changes')->where('operation_id', $act->what->undoes)->distinct()->pluck('field')->all();
        $needs = FieldsNeeded::toRestore(array_values(array_filter($fields, is_string(...))));
        $last = $act->last;
        // acts of one question had no bank once; then it is where that question lives
        $bank =
            $act->bank_id ??
            (string) DB::table('changes')
                ->join('questions', 'questions.id', '=', 'question_id')
                ->where('operation_id', $act->what->undoes)
                ->value('bank_id');
        while ($this->mayGoOn($act, $person) && $this->goesOn($act->id)) {
            [$ids, $befores] = $this->restoring->next($act->what->undoes, $last, $act->what->ids ?? null);
            if ($ids === []) {
                $this->regrow($act);

                return;
            }
            $this->chunk->handle(
                $act->id,
                $ids,
                $bank,
                $needs,
                fn (\stdClass $row, QuestionState $now): QuestionState => $this->restoring->apply($row, $now, $befores[$row->id]),
                $person,
            );
            $last = $ids[count($ids) - 1];
        }
    }

    /** Takes out what an act made beside questions, and restores the branch after them: they may have recreated part of it. */
    private function regrow(\stdClass $act): void
    {
        $done = Json::decode((string) (DB::table('bulk_operations')->where('id', $act->what->undoes)->value('what') ?? '{}'));
        if (! $done instanceof \stdClass || isset($act->what->ids)) {
            return;
        }
        $this->assessments->takeOut($done);
        if (is_array($done->branch ?? null) && in_array($done->tree ?? '', ['folders', 'topics'], true)) {
            $this->branch->restore($done->tree, (string) $act->bank_id, $done->branch);
        }
    }

    /** Copies; and originals into the bin, where that was asked for and the person may. */
    private function copy(\stdClass $act, User $person): void
    {
        foreach ($this->chunks($act, $act->what->from ?? $act->bank_id, $person) as $some) {
            DB::transaction(function () use ($act, $some, $person): void {
                $this->copy->handle($act->id, $some, $act->bank_id, $act->what->folders, $person);
                if ($act->what->bin) {
                    $this->binOriginals($act->id, $some, $person);
                }
            });
        }
    }

    /** Takes questions to another bank as copies, or places them there too; their assessments once all questions are there. */
    private function carry(\stdClass $act, User $person): void
    {
        [$id, $bank] = [is_string($act->id) ? $act->id : '', is_string($act->bank_id) ? $act->bank_id : ''];
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

    private static function plan(\stdClass $act): CarryPlan
    {
        return CarryPlan::stored($act->what instanceof \stdClass ? $act->what : new \stdClass);
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
        foreach (
            DB::select(
                <<<'SQL'
                    SELECT questions.bank_id, array_to_json(array_agg(questions.id ORDER BY questions.id)) AS ids FROM questions
                        JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id AND mine.role <> 'reader'
                        WHERE questions.id = ANY (?::uuid[])
                            AND questions.id NOT IN (SELECT question_id FROM bulk_skips WHERE operation_id = ?)
                        GROUP BY 1
                    SQL,
                [$person->id, '{'.implode(',', $originals).'}', $act],
            ) as $home
        ) {
            $this->chunk->handle(
                $act,
                json_decode($home->ids, true, 4, JSON_THROW_ON_ERROR),
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
    private function chunks(\stdClass $act, string $bankId, User $person): \Generator
    {
        // what came after it, such as its own copies, is not meant
        $ids = match (true) {
            $act->kind === 'carry' => array_merge(...array_values($this->carried->of(
                self::plan($act),
                $person,
                is_string($act->created_at) ? $act->created_at : null,
            ))),
            default => $act->what->ids ?? $this->search->ids(
                Scope::bank($bankId),
                QuestionFilter::fromQuery($act->what->filter),
                $act->last,
                until: $act->created_at,
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
    private function mayGoOn(\stdClass $act, User $person): bool
    {
        $from = $act->what->from ?? null;
        $source =
            is_string($from) && in_array($act->kind, ['change', 'copy', 'carry'], true) && $from !== $act->bank_id
                ? $person->roleIn($from)
                : Role::Reader;

        return $source !== null && ($act->bank_id === null || $person->canEdit($act->bank_id));
    }

    private function goesOn(string $id): bool
    {
        return DB::table('bulk_operations')->where('id', $id)->value('state') === 'running';
    }
}
