<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Actions\ArrangeTree;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;

/** Snapshot of a branch of folders or topics before it is merged or deleted; undo restores empty nodes and their order from it. */
final readonly class BranchSnapshot
{
    public function __construct(private ArrangeTree $arrange)
    {
    }

    /**
     * The nodes of a branch, parents first, with their positions.
     *
     * @param  'folders'|'topics'  $tree
     * @return list<array{id: string, parent: string|null, name: string, position: int}>
     */
    public static function of(string $tree, string $id): array
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        /** @var list<object{id: string, parent_id: string|null, name: string, position: int}&\stdClass> $rows */
        $rows = DB::select(
            <<<SQL
                SELECT node.id, node.parent_id, node.$label AS name, node.position FROM $tree AS node
                    JOIN $tree AS top ON node.path <@ top.path WHERE top.id = ? ORDER BY nlevel(node.path), node.position, node.$label
                SQL,
            [$id],
        );

        return array_map(
            fn (\stdClass $row): array => [
                'id' => $row->id,
                'parent' => $row->parent_id,
                'name' => $row->name,
                'position' => $row->position,
            ],
            $rows,
        );
    }

    /**
     * Recreates deleted nodes and moves the others back. A node of the same name in the same place is reused.
     *
     * @param  'folders'|'topics'  $tree
     * @param  array<mixed>  $branch  as of() gave it, decoded
     */
    public function restore(string $tree, string $bankId, array $branch): void
    {
        $label = $tree === 'folders' ? 'name' : 'title';
        $here = [];
        foreach ($branch as $node) {
            assert($node instanceof \stdClass && is_string($node->id) && is_string($node->name) && is_int($node->position));
            $was = is_string($node->parent ?? null) ? $node->parent : null;
            $parent = $was === null ? null : $here[$was] ?? (DB::table($tree)->where('id', $was)->exists() ? $was : null);
            $stored = DB::table($tree)
                ->where('id', $node->id)
                ->first(['id', 'parent_id']);
            $nodes = $tree === 'folders' ? DB::table('folders')->where('bank_id', $bankId) : Topics::of($bankId);
            $twin = $nodes->where('parent_id', $parent)->where($label, $node->name)->value('id');
            if ($stored !== null && $stored->parent_id !== $parent && $twin === null) {
                $this->arrange->move($tree, $bankId, $node->id, $parent);
            }
            $id =
                $stored !== null && ($twin === null || $twin === $node->id)
                    ? $node->id
                    : (is_string($twin)
                        ? $twin
                        : $this->arrange->add($tree, $bankId, $node->name, $parent));
            DB::table($tree)
                ->where('id', $id)
                ->where('position', 0)
                ->update(['position' => $node->position]);
            $here[$node->id] = $id;
        }
    }
}
