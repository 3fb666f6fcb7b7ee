<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Actions\ArrangeTree;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Json;

/**
 * Makes one folder or topic of two: what lies in the first lies in the second, branches of the same name become one all the way down,
 * and the first is gone. Or takes one away with all below it, where there is no second. What questions lose or get is logged, so that
 * it can be undone. Begun again after a kill it goes on with whatever is still there.
 */
final readonly class MergeNodes
{
    public function __construct(private ArrangeTree $arrange, private ChangeChunk $chunk)
    {
    }

    /** @param  callable(): bool  $goesOn */
    public function handle(\stdClass $act, User $person, callable $goesOn): void
    {
        $tree = $act->what->tree;
        $from = DB::table($tree)
            ->where('id', $act->what->from)
            ->first(['id', 'path']);
        if ($from !== null && ! isset($act->what->branch)) {
            // a retry after a crash already has the snapshot
            $act->what->branch = BranchSnapshot::of($tree, (string) $from->id);
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

    /** @param  callable(): bool  $goesOn */
    private function all(\stdClass $act, ?\stdClass $from, User $person, callable $goesOn): void
    {
        $tree = $act->what->tree;
        if ($from !== null && $act->what->into === null) {
            foreach (
                DB::table($tree)
                    ->whereRaw('path <@ ?::ltree', [$from->path])
                    ->orderByRaw('nlevel(path) DESC')
                    ->pluck('id') as $node
            ) {
                $this->empty($act, $tree, (string) $node, null, $person, $goesOn);
            }
            if ($goesOn()) {
                $this->arrange->remove($tree, $act->bank_id, (string) $from->id);
            }

            return;
        }
        $into = DB::table($tree)
            ->where('id', $act->what->into)
            ->first(['id', 'path']);
        if ($from !== null && $into !== null) {
            $this->merge($act, $tree, (string) $from->id, (string) $into->id, $person, $goesOn);
        }
    }

    /** @param  callable(): bool  $goesOn */
    private function merge(\stdClass $act, string $tree, string $from, string $into, User $person, callable $goesOn): void
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        $twins = DB::table("$tree AS mine")
            ->leftJoin("$tree AS theirs", fn ($join) => $join->on("theirs.$label", "mine.$label")->where('theirs.parent_id', $into))
            ->where('mine.parent_id', $from)
            ->get(['mine.id', 'theirs.id AS twin']);
        foreach ($twins as $child) {
            if ($child->twin === null) {
                $this->arrange->move($tree, $act->bank_id, (string) $child->id, $into);
            } else {
                $this->merge($act, $tree, (string) $child->id, (string) $child->twin, $person, $goesOn);
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
        $this->arrange->remove($tree, $act->bank_id, $from);
    }

    /**
     * Takes the questions out of a node, into another if there is one.
     *
     * @param  callable(): bool  $goesOn
     */
    private function empty(\stdClass $act, string $tree, string $from, ?string $into, User $person, callable $goesOn): void
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
                $act->bank_id,
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

    /** @return list<string> names from the root */
    private function path(string $tree, string $id): array
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        $names = DB::select(
            <<<SQL
                SELECT above.$label AS name FROM $tree AS node JOIN $tree AS above ON node.path <@ above.path WHERE node.id = ?
                    ORDER BY nlevel(above.path)
                SQL,
            [$id],
        );

        return array_values(array_map(fn (\stdClass $row): string => $row->name, $names));
    }
}
