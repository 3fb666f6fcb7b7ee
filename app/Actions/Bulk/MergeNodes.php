<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Actions\ArrangeTree;
use App\Models\User;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Json;

/**
 * Makes one folder or topic of two: what lies in the first lies in the second, branches of the same name become one all the way down,
 * and the first is gone. Or takes one away with all below it, where there is no second. What questions lose or get is logged, so that
 * it can be undone. Begun again after a kill it goes on with whatever is still there.
 *
 * @phpstan-type Node object{id: string, path: string}&\stdClass
 */
final readonly class MergeNodes
{
    public function __construct(private ArrangeTree $arrange, private ChangeChunk $chunk)
    {
    }

    /** @param  callable(): bool  $goesOn */
    public function handle(StoredOperation $act, User $person, callable $goesOn): void
    {
        $tree = $act->tree();
        $from = self::node($tree, $act->text('from'));
        if ($from !== null && ! isset($act->what->branch)) {
            // a retry after a crash already has the snapshot
            $act->what->branch = BranchSnapshot::of($tree, $from->id);
            DB::table('bulk_operations')
                ->where('id', $act->id)
                ->update(['what' => Json::encode($act->what)]);
        }
        $this->all($act, $from, $person, $goesOn);
        // a question that lay in several of the nodes counts once
        DB::update(
            'UPDATE bulk_operations SET done = total, '.
                'changed = (SELECT count(DISTINCT question_id) FROM changes WHERE operation_id = bulk_operations.id) WHERE id = ?',
            [$act->id],
        );
    }

    /**
     * @param  Node|null  $from
     * @param  callable(): bool  $goesOn
     */
    private function all(StoredOperation $act, ?\stdClass $from, User $person, callable $goesOn): void
    {
        $tree = $act->tree();
        if ($from !== null && $act->text('into') === null) {
            $below = DB::table($tree)
                ->whereRaw('path <@ ?::ltree', [$from->path])
                ->orderByRaw('nlevel(path) DESC')
                ->pluck('id')
                ->all();
            foreach (array_filter($below, is_string(...)) as $node) {
                $this->empty($act, $tree, $node, null, $person, $goesOn);
            }
            if ($goesOn()) {
                $this->arrange->remove($tree, $act->bank(), $from->id);
            }

            return;
        }
        $into = self::node($tree, $act->text('into'));
        if ($from !== null && $into !== null) {
            $this->merge($act, $tree, $from->id, $into->id, $person, $goesOn);
        }
    }

    /** @param  callable(): bool  $goesOn */
    private function merge(StoredOperation $act, string $tree, string $from, string $into, User $person, callable $goesOn): void
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        /** @var \Illuminate\Support\Collection<int, object{id: string, twin: string|null}&\stdClass> $twins */
        $twins = DB::table("$tree AS mine")
            ->leftJoin(
                "$tree AS theirs",
                fn (JoinClause $join) => $join->on("theirs.$label", "mine.$label")->where('theirs.parent_id', $into),
            )
            ->where('mine.parent_id', $from)
            ->get(['mine.id', 'theirs.id AS twin']);
        foreach ($twins as $child) {
            if ($child->twin === null) {
                $this->arrange->move($tree, $act->bank(), $child->id, $into);
            } else {
                $this->merge($act, $tree, $child->id, $child->twin, $person, $goesOn);
            }
        }
        $this->empty($act, $tree, $from, $into, $person, $goesOn);
        if (! $goesOn()) {
            return;
        }
        if ($tree === 'folders') {
            DB::insert(
                <<<'SQL'
                    INSERT INTO stimulus_placements (stimulus_id, folder_id) SELECT stimulus_id, ? FROM stimulus_placements
                        WHERE folder_id = ? ON CONFLICT DO NOTHING
                    SQL,
                [$into, $from],
            );
        }
        $this->arrange->remove($tree, $act->bank(), $from);
    }

    /**
     * Takes the questions out of a node, into another if there is one.
     *
     * @param  callable(): bool  $goesOn
     */
    private function empty(StoredOperation $act, string $tree, string $from, ?string $into, User $person, callable $goesOn): void
    {
        [$joins, $column] = $tree === 'folders' ? ['placements', 'folder_id'] : ['question_topics', 'topic_id'];
        $change = BulkChange::read(
            (object) [
                $tree => (object) ['add' => $into === null ? [] : [$this->path($tree, $into)], 'remove' => [$this->path($tree, $from)]],
            ],
        );
        // a topic of a team is set in all of its banks, also in those the person does not read
        foreach (
            DB::table($joins)->where($column, $from)->orderBy('question_id')->pluck('question_id')->chunk(ChangeChunk::SIZE) as $ids
        ) {
            if (! $goesOn()) {
                return;
            }
            $some = array_values(array_filter($ids->all(), is_string(...)));
            $this->chunk->handle(
                $act->id,
                $some,
                $act->bank(),
                FieldsNeeded::ofPlaces(),
                fn (\stdClass $row, QuestionState $now): QuestionState => $now->after(
                    $now->record,
                    $change->topics->apply($now->topics),
                    $change->folders->apply($now->folders),
                    null,
                    $now->isBinned,
                    $now->isHome,
                ),
                $person,
            );
        }
    }

    /**
     * @param  'folders'|'topics'  $tree
     * @return Node|null
     */
    private static function node(string $tree, ?string $id): ?\stdClass
    {
        /** @var Node|null */
        return DB::table($tree)->where('id', $id)->first(['id', 'path']);
    }

    /** @return list<string> names from the root */
    private function path(string $tree, string $id): array
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        /** @var list<object{name: string}&\stdClass> $names */
        $names = DB::select(
            <<<SQL
                SELECT above.$label AS name FROM $tree AS node JOIN $tree AS above ON node.path <@ above.path WHERE node.id = ?
                    ORDER BY nlevel(above.path)
                SQL,
            [$id],
        );

        return array_column($names, 'name');
    }
}
