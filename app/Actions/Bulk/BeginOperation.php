<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Errors\Refused;
use App\Infrastructure\WorkLock;
use App\Jobs\ChangeMany;
use App\Models\Bank;
use App\Models\User;
use App\Queries\CarriedQuestions;
use App\Queries\Topics;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * Begins a change of many questions, or that it is undone: few are changed at once; many, or any while another change goes on in the
 * bank, in the background, one after the other.
 */
final readonly class BeginOperation
{
    /** From so many on, somebody else looks after it too. */
    private const SAFELY = 50;

    private const LATER = 120; // seconds

    private const LARGE = 2000; // questions

    public function __construct(private RunOperation $work, private QuestionSearch $search, private CarriedQuestions $carried)
    {
    }

    /**
     * @param  list<string>|string  $target  ids, or a filter as it stands in an address
     * @param  \stdClass  $change  as BulkChange reads it
     * @param  string|null  $from  the bank where the filter looks, when it is another
     * @return string the act
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function change(Bank $bank, array|string $target, \stdClass $change, User $person, ?string $from = null): string
    {
        BulkChange::read($change);
        $ids = is_array($target) ? array_values(array_unique($target)) : null;
        $total = $ids === null ? $this->search->count(Scope::bank($from ?? $bank->id), QuestionFilter::fromQuery($target)) : count($ids);
        $what = $ids === null ? ['filter' => $target, 'from' => $from ?? $bank->id] : ['ids' => $ids];

        return $this->begin(
            'change',
            $person,
            ['bank_id' => $bank->id, 'total' => $total, 'what' => Json::encode([...$what, 'change' => $change])],
            $bank->id,
        );
    }

    /**
     * Puts what meets a filter into folders by a pattern of names.
     *
     * @param  array<string, string>  $names  folders that are called otherwise
     */
    public function regroup(Bank $bank, string $filter, string $pattern, array $names, User $person): string
    {
        $total = $this->search->count(Scope::bank($bank->id), QuestionFilter::fromQuery($filter));
        $what = [
            'filter' => $filter,
            'from' => $bank->id,
            'change' => ['folders' => ['set' => [[$pattern]]]], // as it is said in the history
            'regroup' => ['pattern' => $pattern, 'names' => (object) $names],
        ];

        return $this->begin('change', $person, ['bank_id' => $bank->id, 'total' => $total, 'what' => Json::encode($what)], $bank->id);
    }

    /**
     * Copies into a bank. The person has been seen to write there, and to read where a filter looks.
     *
     * @param  list<string>|string  $target  ids, or a filter
     * @param  string|null  $from  the bank where the filter looks, when it is another
     * @param  list<list<string>>|null  $folders  where the copies lie; as the originals when null
     * @param  bool  $bin  whether the originals go into the bin, where the person may do that
     */
    public function copy(Bank $bank, array|string $target, ?string $from, ?array $folders, bool $bin, User $person): string
    {
        $total = is_array($target)
            ? count(array_unique($target))
            : $this->search->count(Scope::bank($from ?? $bank->id), QuestionFilter::fromQuery($target));
        $what = is_array($target) ? ['ids' => array_values(array_unique($target))] : ['filter' => $target, 'from' => $from];

        return $this->begin(
            'copy',
            $person,
            ['bank_id' => $bank->id, 'total' => $total, 'what' => Json::encode([...$what, 'folders' => $folders, 'bin' => $bin])],
            $bank->id,
        );
    }

    /**
     * How many questions a plan carries over.
     *
     * @throws Refused when it is nothing, or too much
     */
    public function carried(CarryPlan $plan, User $person): int
    {
        $questions = $this->carried->of($plan, $person);
        $total = count($questions['chosen']) + count($questions['asked']);
        if ($total === 0 && $plan->assessments === []) {
            throw Refused::because('carry.nothing', Message::of('app.actions.bulk.carry-nothing'));
        }

        return $total;
    }

    /**
     * Carries questions and assessments of one bank over to another. The person has been seen to write there, and to read the other.
     *
     * @param  int  $total  as carried() counts them
     */
    public function carry(Bank $bank, CarryPlan $plan, int $total, User $person): string
    {
        $what = Json::encode($plan->toJson());

        return $this->begin('carry', $person, ['bank_id' => $bank->id, 'total' => $total, 'what' => $what], $bank->id);
    }

    /**
     * Takes a folder or topic away with what is below it.
     *
     * @param  'folders'|'topics'  $tree
     */
    public function remove(Bank $bank, string $tree, string $node, User $person): string
    {
        $nodes = $tree === 'folders' ? DB::table('folders')->where('bank_id', $bank->id) : Topics::of($bank->id);
        $path = $nodes->where('id', $node)->value('path') ?? abort(404);

        return $this->begin(
            'remove',
            $person,
            [
                'bank_id' => $bank->id,
                'total' => self::below($tree, is_string($path) ? $path : ''),
                'what' => Json::encode(['tree' => $tree, 'from' => $node, 'into' => null]),
            ],
            $bank->id,
        );
    }

    /** How many questions lie in a node and below it. */
    private static function below(string $tree, string $path): int
    {
        [$joins, $column] = $tree === 'folders' ? ['placements', 'folder_id'] : ['question_topics', 'topic_id'];

        return DB::table($joins)
            ->join($tree, "$tree.id", '=', $column)
            ->whereRaw("$tree.path <@ ?::ltree", [$path])
            ->distinct()
            ->count('question_id');
    }

    /**
     * @param  'folders'|'topics'  $tree
     *
     * @throws Refused when one lies in the other
     */
    public function merge(Bank $bank, string $tree, string $from, string $into, User $person): string
    {
        $nodes = $tree === 'folders' ? DB::table('folders')->where('bank_id', $bank->id) : Topics::of($bank->id);
        /** @var \Illuminate\Support\Collection<string, string> $paths */
        $paths = $nodes->whereIn('id', [$from, $into])->pluck('path', 'id');
        if ($from === $into || count($paths) < 2) {
            if ($from === $into) {
                throw Refused::because('tree.same', Message::of('app.actions.bulk.same-one'), '/into');
            } else {
                abort(404);
            }
        }
        if (str_starts_with("$paths[$into].", "$paths[$from].")) {
            throw Refused::because('tree.into_itself', Message::of('app.actions.bulk.cannot-become-one-something'), '/into');
        }

        return $this->begin(
            'merge',
            $person,
            [
                'bank_id' => $bank->id,
                'total' => self::below($tree, $paths[$from]),
                'what' => Json::encode(['tree' => $tree, 'from' => $from, 'into' => $into]),
            ],
            $bank->id,
        );
    }

    /**
     * @param  list<string>|null  $questions  only these, and also where they were changed since; otherwise all that are still as it left
     *     them
     *
     * @throws Refused when it was undone before, or goes on
     */
    public function undo(string $act, User $person, ?array $questions = null): string
    {
        $done = StoredOperation::find($act);
        if (in_array($done->state, ['waiting', 'running'], true)) {
            throw Refused::because('act.running', Message::of('app.actions.bulk.still-goes-stop-first'));
        }
        if ($questions === null && DB::table('bulk_operations')->where('undoes', $act)->exists()) {
            throw Refused::because('act.undone', Message::of('app.actions.bulk.undone-already'));
        }
        $total =
            $questions === null
                ? DB::table('changes')->where('operation_id', $act)->distinct()->count('question_id')
                : count($questions);

        try {
            $begun = $this->begin(
                'undo',
                $person,
                [
                    'bank_id' => $done->bankId,
                    'total' => $total,
                    'undoes' => $questions === null ? $act : null,
                    'what' => Json::encode($questions === null ? ['undoes' => $act] : ['undoes' => $act, 'ids' => $questions]),
                ],
                $done->bankId,
            );
            $change = $done->what->change ?? null;
            if ($questions === null && $change instanceof \stdClass) {
                UndoRubric::of($change, $person);
            }

            return $begun;
        } catch (UniqueConstraintViolationException) {
            // from two windows at once
            throw Refused::because('act.undone', Message::of('app.actions.bulk.undone-already'));
        }
    }

    /** @param  array<string, mixed>  $columns */
    private function begin(string $kind, User $person, array $columns, ?string $bankId): string
    {
        $act = BulkOperation::begin($kind, $person, [...$columns, 'state' => 'waiting']);
        $waits =
            $columns['total'] > BulkOperation::AT_ONCE ||
            DB::table('bulk_operations')
                ->where('bank_id', $bankId)
                ->where('id', '<>', $act)
                ->whereIn('state', ['waiting', 'running'])
                ->exists();
        if (! $waits && $columns['total'] > self::SAFELY) {
            ChangeMany::dispatch($act, $person->id)->delay(self::LATER); // should this request die on the way, the rest is done then
        }
        if ($waits || ! WorkLock::alone("acts:$bankId", fn () => $this->now($act), $act)) {
            ChangeMany::dispatch($act, $person->id, $columns['total'] > self::LARGE);
        }

        return $act;
    }

    private function now(string $act): void
    {
        try {
            $this->work->handle($act);
        } catch (\Throwable $problem) {
            BulkOperation::ended($act, 'failed');
            throw $problem;
        }
    }

    /** Goes on with one that was stopped or failed, after its last question. */
    public function resume(string $act): void
    {
        if (
            DB::table('bulk_operations')
                ->where('id', $act)
                ->whereIn('state', ['stopped', 'failed'])
                ->whereNotNull('what')
                ->update(['state' => 'waiting', 'finished_at' => null]) === 1
        ) {
            $stored = StoredOperation::find($act);
            WorkLock::again($act);
            ChangeMany::dispatch($act, $stored->userId, $stored->total > self::LARGE);
        }
    }
}
