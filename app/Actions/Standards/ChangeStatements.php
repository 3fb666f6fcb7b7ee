<?php

declare(strict_types=1);

namespace App\Actions\Standards;

use App\Errors\Refused;
use App\Queries\Frameworks;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;
use WideQuarry\Standards\StatementTree;

/** Adds, changes, moves and removes statements of a framework, and says how they stand to others. Each change locks the framework. */
final class ChangeStatements
{
    public const FIELDS = ['code', 'title', 'text', 'level', 'notes', 'retired', 'parent', 'before'];

    /** @throws Refused */
    public function add(string $framework, Fields $fields): string
    {
        $id = (string) Str::uuid7();
        $this->locked($framework, function () use ($framework, $fields, $id): void {
            if (DB::table('statements')->where('framework_id', $framework)->count() >= Framework::MOST_STATEMENTS) {
                throw Refused::because('statement.too_many', Message::of('app.actions.standards.too-many', [
                    'most' => Framework::MOST_STATEMENTS,
                ]));
            }
            DB::table('statements')->insert([
                'id' => $id,
                'identifier' => $id,
                'framework_id' => $framework,
                'above' => "{{$id}}",
                'position' => PHP_INT_MAX >> 32,
                ...$this->said($framework, $id, $fields, true),
            ]);
            $this->place($framework, $id, $fields->raw('parent') === null ? null : $fields->uuid('parent'), null);
        });

        return $id;
    }

    /** @throws Refused */
    public function change(string $framework, string $id, Fields $fields): void
    {
        $this->locked($framework, function () use ($framework, $id, $fields): void {
            $said = $this->said($framework, $id, $fields, false);
            if ($said !== []) {
                DB::table('statements')->where('id', $id)->update($said);
            }
            if ($fields->has('parent') || $fields->has('before')) {
                $stays = DB::table('statements')->where('id', $id)->value('parent_id');
                $stays = is_string($stays) ? $stays : null;
                $parent = $fields->has('parent') ? ($fields->raw('parent') === null ? null : $fields->uuid('parent')) : $stays;
                if ($parent === $stays && ! $fields->has('before')) {
                    return; // it keeps its place among its siblings
                }
                $this->place($framework, $id, $parent, $fields->raw('before') === null ? null : $fields->uuid('before'));
            }
        });
    }

    /** @throws Refused while something names it, or one below it */
    public function remove(string $framework, string $id): void
    {
        $this->locked($framework, function () use ($framework, $id): void {
            $below = DB::table('statements')
                ->where('framework_id', $framework)
                ->whereRaw('above @> ARRAY[?::uuid]', [$id])
                ->pluck('id')
                ->all();
            $uses = Frameworks::uses(array_values(array_filter($below, is_string(...))));
            if ($uses > 0) {
                throw Refused::because('statement.used', Message::of('app.actions.standards.used'));
            }
            DB::table('statement_associations')->whereIn('from_id', $below)->orWhereIn('to_id', $below)->delete();
            DB::table('statements')->whereIn('id', $below)->delete();
        });
    }

    /** @throws Refused */
    public function associate(string $framework, Association $association): void
    {
        $this->locked($framework, function () use ($framework, $association): void {
            $ends = DB::table('statements')->whereIn('id', [$association->from, $association->to])->pluck('framework_id', 'id')->all();
            if (count($ends) < 2 || ! in_array($framework, $ends, true)) {
                throw Refused::because('association.ends', Message::of('app.actions.standards.association-ends'), '/to');
            }
            DB::table('statement_associations')->insertOrIgnore([
                'from_id' => $association->from,
                'to_id' => $association->to,
                'kind' => $association->kind,
                'framework_id' => $framework,
            ]);
        });
    }

    public function dissociate(string $framework, Association $association): void
    {
        $this->locked(
            $framework,
            fn () => DB::table('statement_associations')
                ->where(['from_id' => $association->from, 'to_id' => $association->to, 'kind' => $association->kind])
                ->whereExists(
                    fn (Builder $query): Builder => $query
                        ->from('statements')
                        ->where('framework_id', $framework)
                        ->whereRaw('statements.id IN (statement_associations.from_id, statement_associations.to_id)'),
                )
                ->delete(),
        );
    }

    /** @return array<string, mixed> columns */
    private function said(string $framework, string $id, Fields $fields, bool $isNew): array
    {
        $columns = [];
        $texts = ['code' => Statement::LONGEST_CODE, 'title' => 1000, 'text' => Statement::LONGEST_TEXT, 'level' => 1000];
        foreach ($texts as $name => $most) {
            if ($isNew || $fields->has($name)) {
                $columns[$name] = StatementCode::trimmed($fields->string($name, '', $most));
            }
        }
        if ($isNew || $fields->has('notes')) {
            $columns['notes'] = trim($fields->string('notes', '', Statement::LONGEST_TEXT));
        }
        if ($fields->has('retired')) {
            $columns['retired'] = $fields->bool('retired', false);
        }
        if (isset($columns['text']) && $columns['text'] === '') {
            throw Refused::because('statement.text', Message::of('app.actions.standards.say-the-statement'), '/text');
        }
        if (isset($columns['code'])) {
            $columns['folded'] = StatementCode::folded($columns['code']);
            $same = DB::table('statements')->where(['framework_id' => $framework, 'folded' => $columns['folded']]);
            // one that was brought in with the code of another may keep it while its words are mended
            if ($columns['code'] !== '' && $same->exists() && ! (clone $same)->where('id', $id)->exists()) {
                throw Refused::because('statement.code', Message::of('app.actions.standards.code-taken', [
                    'code' => $columns['code'],
                ]), '/code');
            }
        }

        return $columns;
    }

    /** Puts it below a parent, before a sibling or last, and sets the order of the whole tree anew. */
    private function place(string $framework, string $id, ?string $parent, ?string $before): void
    {
        $rows = DB::table('statements')->where('framework_id', $framework)->orderBy('position')->orderBy('id')->get(['id', 'parent_id']);
        /** @var array<string, string|null> $parents */
        $parents = $rows->pluck('parent_id', 'id')->all();
        if ($parent !== null && ! array_key_exists($parent, $parents)) {
            throw Refused::because('statement.parent', Message::of('app.actions.standards.parent-gone'), '/parent');
        }
        for ($step = $parent; $step !== null; $step = $parents[$step]) {
            if ($step === $id) {
                throw Refused::because('tree.into_itself', Message::of('app.actions.cannot-moved-into-something'), '/parent');
            }
        }
        $parents[$id] = $parent;
        $others = array_values(array_diff(array_keys($parents), [$id]));
        $at = $before === null ? false : array_search($before, $others, true);
        array_splice($others, $at === false ? count($others) : $at, 0, [$id]);
        self::arrange($others, $parents);
    }

    /**
     * Writes the order of a whole framework.
     *
     * @param  list<string>  $order  statements, siblings in the order they are to have
     * @param  array<string, string|null>  $parents
     */
    public static function arrange(array $order, array $parents): void
    {
        $tree = StatementTree::of(array_map(fn (string $one): Statement => new Statement($one, '', '', $parents[$one]), $order));
        $above = $places = [];
        foreach ($tree->statements as $position => $one) {
            $above[$one->id] = [...$one->parent === null ? [] : $above[$one->parent], $one->id];
            $places[] = ['id' => $one->id, 'parent' => $one->parent, 'above' => $above[$one->id], 'position' => $position];
        }
        if ($above !== [] && max(array_map(count(...), $above)) > StatementTree::DEPTH) {
            throw Refused::because('tree.too_deep', Message::of('app.actions.too-deep-most-levels', [
                'depth' => StatementTree::DEPTH,
            ]), '/parent');
        }
        DB::update(
            <<<'SQL'
                UPDATE statements SET parent_id = one.parent, above = one.above, position = one.position
                FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, parent uuid, above uuid[], position integer)
                WHERE statements.id = one.id AND (statements.parent_id, statements.above, statements.position)
                    IS DISTINCT FROM (one.parent, one.above, one.position)
                SQL,
            [Json::encode($places)],
        );
    }

    /** @param  callable(): mixed  $do */
    private function locked(string $framework, callable $do): void
    {
        DB::transaction(function () use ($framework, $do): void {
            DB::table('frameworks')->where('id', $framework)->lockForUpdate()->first(['id']) ?? abort(404);
            $do();
            DB::table('frameworks')->where('id', $framework)->update(['updated_at' => now()]);
        });
    }
}
