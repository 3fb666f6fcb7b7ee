<?php

declare(strict_types=1);

namespace App\Actions\Standards;

use App\Models\User;
use App\Queries\Frameworks;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Standards\Association;
use WideQuarry\Standards\Comparison;
use WideQuarry\Standards\Framework;
use WideQuarry\Standards\NameUuid;
use WideQuarry\Standards\Statement;
use WideQuarry\Standards\StatementCode;

/**
 * Stores a framework that was read: as a new one, as a newer state of one that is here, or as a version beside it. Statements that a newer
 * state does not have are retired and stay, as questions may name them.
 */
final class StoreFramework
{
    /** @return string the framework */
    public function asNew(Framework $framework, User $person): string
    {
        /** @var string */
        return DB::transaction(fn (): string => $this->insert($framework, $person)[0]);
    }

    /** @param  string  $earlier  the version it is put beside, whose statements it succeeds */
    public function beside(Framework $framework, string $earlier, User $person): string
    {
        /** @var string */
        return DB::transaction(function () use ($framework, $earlier, $person): string {
            $before = Frameworks::whole($earlier);
            $known = self::known($earlier);
            [$id, $ids] = $this->insert($framework, $person);
            $pairs = $before === null ? [] : Comparison::between($before->statements, $framework->statements)->succession();
            $this->associate(
                $id,
                array_map(fn (Association $one): Association => new Association($known[$one->from], $ids[$one->to], $one->kind), $pairs),
            );

            return $id;
        });
    }

    /** @param  string  $id  the framework it is a newer state of */
    public function over(Framework $framework, string $id): string
    {
        /** @var string */
        return DB::transaction(function () use ($framework, $id): string {
            DB::table('frameworks')->where('id', $id)->lockForUpdate()->first();
            $before = Frameworks::whole($id);
            $known = self::known($id);
            $pairs = $before === null ? [] : array_flip(Comparison::between($before->statements, $framework->statements)->pairs);
            $ids = [];
            foreach ($framework->statements as $one) {
                $ids[$one->id] = isset($pairs[$one->id]) ? $known[$pairs[$one->id]] : $this->free($one->id, $id);
            }
            DB::table('frameworks')->where('id', $id)->update([...self::columns($framework), 'updated_at' => now()]);
            $gone = array_diff(array_values($known), $ids);
            DB::table('statements')
                ->whereIn('id', $gone)
                ->update(['retired' => true, 'position' => DB::raw('position + '.count($framework->statements))]);
            $this->statements($framework, $id, $ids);
            $rows = DB::table('statements')->where('framework_id', $id)->orderBy('position')->orderBy('id')->get(['id', 'parent_id']);
            /** @var array<string, string|null> $parents */
            $parents = $rows->pluck('parent_id', 'id')->all();
            ChangeStatements::arrange(array_map(strval(...), array_keys($parents)), $parents);
            $this->associate($id, $this->renamed($framework->associations, $ids));
            self::link();

            return $id;
        });
    }

    /** @return array<string, string> identifier → id */
    private static function known(string $framework): array
    {
        /** @var array<string, string> */
        return DB::table('statements')->where('framework_id', $framework)->pluck('id', 'identifier')->all();
    }

    /** Takes up codes that questions brought by the identifier of a statement which has come since. */
    public static function link(): void
    {
        DB::update(
            <<<'SQL'
                UPDATE question_standards SET statement_id = statements.id FROM statements
                WHERE statement_id IS NULL AND named = statements.id
                SQL,
        );
    }

    /** @return array{string, array<string, string>} the framework, and its statements: identifier → id */
    private function insert(Framework $framework, User $person): array
    {
        $id = DB::table('frameworks')->where('id', $framework->id)->exists() ? (string) Str::uuid7() : $framework->id;
        DB::table('frameworks')->insert([...self::columns($framework), 'id' => $id, 'created_by' => $person->id]);
        $taken = $this->taken(array_map(fn (Statement $one): string => $one->id, $framework->statements));
        $ids = [];
        foreach ($framework->statements as $one) {
            $ids[$one->id] = isset($taken[$one->id]) ? NameUuid::of($id, $one->id) : $one->id;
        }
        $this->statements($framework, $id, $ids);
        $this->associate($id, $this->renamed($framework->associations, $ids));
        self::link();

        return [$id, $ids];
    }

    private function free(string $identifier, string $framework): string
    {
        return $this->taken([$identifier]) === [] ? $identifier : NameUuid::of($framework, $identifier);
    }

    /**
     * @param  list<string>  $ids
     * @return array<string, true>
     */
    private function taken(array $ids): array
    {
        /** @var list<object{id: string}&\stdClass> $rows */
        $rows = DB::select('SELECT id FROM statements WHERE id = ANY (?::uuid[])', ['{'.implode(',', $ids).'}']);

        return array_fill_keys(array_column($rows, 'id'), true);
    }

    /** @return array<string, mixed> */
    private static function columns(Framework $framework): array
    {
        return [
            'identifier' => $framework->id,
            'title' => $framework->title,
            'version' => $framework->version,
            'publisher' => $framework->publisher,
            'language' => $framework->language,
            'notes' => $framework->notes,
            'kept' => $framework->kept === null ? null : Json::encode($framework->kept),
        ];
    }

    /** @param  array<string, string>  $ids  identifier → id */
    private function statements(Framework $framework, string $id, array $ids): void
    {
        $above = [];
        foreach (array_chunk($framework->statements, 2000, true) as $some) {
            $rows = [];
            foreach ($some as $position => $one) {
                $own = $ids[$one->id];
                $parent = $one->parent === null ? null : $ids[$one->parent];
                $above[$own] = [...$parent === null ? [] : $above[$parent], $own];
                $rows[] = [
                    ...(array) $one->toJson(),
                    'id' => $own,
                    'identifier' => $one->id,
                    'parent_id' => $parent,
                    'above' => $above[$own],
                    'position' => $position,
                    'folded' => StatementCode::folded($one->code),
                ];
            }
            DB::insert(
                <<<'SQL'
                    INSERT INTO statements (id, framework_id, identifier, parent_id, above, position, code, folded, title, text, level,
                        notes, retired, kept)
                    SELECT id, ?, identifier, parent_id, above, position, code, folded, coalesce(title, ''), text, coalesce(level, ''),
                        coalesce(notes, ''), retired, kept
                    FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, identifier uuid, parent_id uuid, above uuid[], position integer,
                        code text, folded text, title text, text text, level text, notes text, retired boolean, kept jsonb)
                    ON CONFLICT (id) DO UPDATE SET identifier = excluded.identifier, parent_id = excluded.parent_id, above = excluded.above,
                        position = excluded.position, code = excluded.code, folded = excluded.folded, title = excluded.title,
                        text = excluded.text, level = excluded.level, notes = excluded.notes, retired = excluded.retired,
                        kept = excluded.kept
                    SQL,
                [$id, Json::encode($rows)],
            );
        }
    }

    /**
     * @param  list<Association>  $associations
     * @param  array<string, string>  $ids  identifier → id
     * @return list<Association>
     */
    private function renamed(array $associations, array $ids): array
    {
        return array_map(
            fn (Association $one): Association => new Association($ids[$one->from] ?? $one->from, $ids[$one->to] ?? $one->to, $one->kind),
            $associations,
        );
    }

    /** @param  list<Association>  $associations */
    private function associate(string $framework, array $associations): void
    {
        foreach (array_chunk($associations, 5000) as $some) {
            DB::insert(
                <<<'SQL'
                    INSERT INTO statement_associations (from_id, to_id, kind, framework_id)
                    SELECT DISTINCT "from", "to", kind, ?::uuid
                    FROM jsonb_to_recordset(?::jsonb) AS one ("from" uuid, "to" uuid, kind text)
                    WHERE "from" <> "to" ON CONFLICT DO NOTHING
                    SQL,
                [$framework, Json::encode(array_map(fn (Association $one): \stdClass => $one->toJson(), $some))],
            );
        }
    }
}
