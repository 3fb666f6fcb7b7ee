<?php

declare(strict_types=1);

namespace App\Actions;

use App\Errors\Refused;
use App\Infrastructure\TreeLock;
use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/**
 * Creates, renames, moves and removes folders and topics. Questions are never touched: only where they are shown. Each change locks the
 * whole tree first, so that what is checked here is still true when it is written.
 */
final class ArrangeTree
{
    private const DEPTH = 12;

    public function add(string $tree, string $bankId, string $name, ?string $parent): string
    {
        $id = (string) Str::uuid7();
        $owner = $tree === 'folders' ? ['bank_id' => $bankId] : Topics::owner($bankId);
        $this->locked($tree, $bankId, $name, function () use ($tree, $bankId, $name, $parent, $id, $owner): void {
            $above = $parent === null ? '' : $this->path($tree, $bankId, $parent).'.';
            if (substr_count($above, '.') >= self::DEPTH) {
                throw Refused::because('tree.too_deep', Message::of('app.actions.too-deep-most-levels', [
                    'depth' => self::DEPTH,
                ]), '/parent');
            }
            DB::table($tree)->insert([
                ...$owner,
                'id' => $id,
                'parent_id' => $parent,
                $this->label($tree) => $this->named($name),
                'path' => $above.Folders::label($id),
            ]);
        });

        return $id;
    }

    /** Renames, moves and orders in one step: all of it happens, or nothing. */
    public function change(string $tree, string $bankId, string $id, Fields $fields): void
    {
        $other = fn (string $name): ?string => $fields->raw($name) === null ? null : $fields->uuid($name);
        DB::transaction(function () use ($tree, $bankId, $id, $fields, $other): void {
            if ($fields->has('name')) {
                $this->rename($tree, $bankId, $id, $fields->string('name', '', 200));
            }
            if ($fields->has('parent')) {
                $this->move($tree, $bankId, $id, $other('parent'));
            }
            if ($fields->has('before')) {
                $this->order($tree, $bankId, $id, $other('before'));
            }
            if ($fields->bool('by_name', false)) {
                $this->byName($tree, $bankId, $id);
            }
        });
    }

    public function rename(string $tree, string $bankId, string $id, string $name): void
    {
        $this->path($tree, $bankId, $id);
        $this->locked(
            $tree,
            $bankId,
            $name,
            fn () => $this->nodes($tree, $bankId)
                ->where('id', $id)
                ->update([$this->label($tree) => $this->named($name), 'updated_at' => now()]),
        );
    }

    public function move(string $tree, string $bankId, string $id, ?string $parent): void
    {
        $this->locked($tree, $bankId, '', function () use ($tree, $bankId, $id, $parent): void {
            $old = $this->path($tree, $bankId, $id);
            $new = ($parent === null ? '' : $this->path($tree, $bankId, $parent).'.').Folders::label($id);
            if (str_starts_with("$new.", "$old.") && $new !== $old) {
                throw Refused::because('tree.into_itself', Message::of('app.actions.cannot-moved-into-something'), '/parent');
            }
            $this->nodes($tree, $bankId)
                ->where('id', $id)
                ->update(['parent_id' => $parent, 'updated_at' => now()]);
            DB::update(
                <<<SQL
                    UPDATE $tree SET path = CASE WHEN path = ?::ltree THEN ?::ltree
                        ELSE ?::ltree || subpath(path, nlevel(?::ltree)) END WHERE path <@ ?::ltree
                    SQL,
                [$old, $new, $new, $old, $old],
            );
        });
    }

    /** Puts it before one of its siblings, or last; from then on the siblings stand in an order of their own. */
    public function order(string $tree, string $bankId, string $id, ?string $before): void
    {
        $this->locked($tree, $bankId, '', function () use ($tree, $bankId, $id, $before): void {
            $this->path($tree, $bankId, $id);
            $parent = $this->nodes($tree, $bankId)->where('id', $id)->value('parent_id');
            /** @var list<string> $siblings */
            $siblings = $this->nodes($tree, $bankId)
                ->where('parent_id', $parent)
                ->orderBy('position')
                ->orderByRaw("{$this->label($tree)} COLLATE by_name")
                ->lockForUpdate()
                ->pluck('id')
                ->all();
            $others = array_values(array_diff($siblings, [$id]));
            $at = $before === null ? false : array_search($before, $others, true);
            array_splice($others, $at === false ? count($others) : $at, 0, [$id]);
            DB::update(
                <<<SQL
                    UPDATE $tree SET position = place FROM jsonb_array_elements_text(?::jsonb) WITH ORDINALITY AS given (id, place)
                        WHERE $tree.id = given.id::uuid
                    SQL,
                [Json::encode($others)],
            );
        });
    }

    /** Lets all below a node, or at the top, stand by their names again. */
    public function byName(string $tree, string $bankId, ?string $parent): void
    {
        $this->nodes($tree, $bankId)
            ->where('parent_id', $parent)
            ->update(['position' => 0]);
    }

    /**
     * Makes what an outline names, below a node or at the top; what is there already stays.
     *
     * @param  list<array{name: string, depth: int}>  $lines  as WideQuarry\Documents\Outline reads them
     * @return array{made: int, there: int}
     */
    public function outline(string $tree, string $bankId, array $lines, ?string $parent): array
    {
        return TreeLock::hold($tree === 'folders' ? 'folders' : 'topics', $bankId, function () use (
            $tree,
            $bankId,
            $lines,
            $parent,
        ): array {
            if ($parent !== null) {
                $this->path($tree, $bankId, $parent);
            }
            $above = [$parent];
            $made = 0;
            foreach ($lines as ['name' => $name, 'depth' => $depth]) {
                $under = $above[$depth] ?? $parent;
                $found = $this->nodes($tree, $bankId)->where('parent_id', $under)->where($this->label($tree), $name)->value('id');
                $made += $found === null ? 1 : 0;
                $above = [...array_slice($above, 0, $depth + 1), is_string($found) ? $found : $this->add($tree, $bankId, $name, $under)];
            }

            return ['made' => $made, 'there' => count($lines) - $made];
        });
    }

    public function remove(string $tree, string $bankId, string $id): void
    {
        $this->path($tree, $bankId, $id);
        $this->nodes($tree, $bankId)->where('id', $id)->delete();
    }

    private function path(string $tree, string $bankId, string $id): string
    {
        $path = $this->nodes($tree, $bankId)->where('id', $id)->value('path');

        return is_string($path) ? $path : abort(404);
    }

    private function nodes(string $tree, string $bankId): Builder
    {
        return $tree === 'folders' ? DB::table('folders')->where('bank_id', $bankId) : Topics::of($bankId);
    }

    private function label(string $tree): string
    {
        return $tree === 'folders' ? 'name' : 'title';
    }

    private function named(string $name): string
    {
        $name = trim((string) preg_replace('/\s+/u', ' ', $name));

        if (preg_match('/[^\p{Z}\p{C}]/u', $name) !== 1) {
            throw Refused::because('tree.no_name', Message::of('app.actions.needs-name'), '/name');
        }

        return $name;
    }

    /** @param  callable(): mixed  $do  done in a transaction, with the tree locked to its end */
    private function locked(string $tree, string $bankId, string $name, callable $do): void
    {
        try {
            TreeLock::hold($tree === 'folders' ? 'folders' : 'topics', $bankId, $do);
        } catch (UniqueConstraintViolationException) {
            throw Refused::because(
                'tree.name_taken',
                $name === '' ? Message::of('app.actions.one-same-name-place') : Message::of('app.actions.place-already', [
                    'name' => $name,
                ]),
                '/name',
            );
        }
    }
}
