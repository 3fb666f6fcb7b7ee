<?php

declare(strict_types=1);

namespace App\Actions\Acts;

use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\Left;
use WideQuarry\Bulk\Standing;
use WideQuarry\Json\Json;

/** What an act left, put back: only where it is still as the act left it, unless a question is named. */
final readonly class Restoring
{
    private const NEWER = 'EXISTS (SELECT 1 FROM changes AS later WHERE later.question_id = changes.question_id AND later.field = changes.field AND later.id > changes.id)';

    /**
     * The next questions of an act, by their ids.
     *
     * @param  list<string>|null  $only
     * @return array{list<string>, array<string, array{fields: array<mixed>, newer: bool}>} question → what was, by field, and whether some of it was changed since
     */
    public function next(string $act, ?string $after, ?array $only): array
    {
        $newer = $only === null ? self::NEWER : 'false';
        $rows = DB::select("SELECT question_id, json_object_agg(field, before) FILTER (WHERE NOT $newer) AS fields, bool_or($newer) AS newer FROM changes WHERE act_id = ? AND question_id > coalesce(?::uuid, '00000000-0000-0000-0000-000000000000') AND (?::uuid[] IS NULL OR question_id = ANY (?::uuid[])) GROUP BY question_id ORDER BY question_id LIMIT ".ChangeChunk::SIZE, [$act, $after, ...array_fill(0, 2, $only === null ? null : '{'.implode(',', $only).'}')]);
        $befores = [];
        foreach ($rows as $row) {
            $befores[$row->question_id] = ['fields' => $row->fields === null ? [] : (array) Json::decode($row->fields), 'newer' => $row->newer];
        }
        $revisions = array_filter(array_map(fn (array $one): mixed => $one['fields']['revision'] ?? null, $befores));
        foreach ($revisions === [] ? [] : $this->contents($revisions) as $id => $content) {
            $befores[$id] = ['fields' => [...$befores[$id]['fields'] ?? [], 'revision' => $content], 'newer' => $befores[$id]['newer'] ?? false];
        }
        /** @var list<string> $ids */
        $ids = array_column($rows, 'question_id');

        return [$ids, $befores];
    }

    /** @param  list<string>  $ids  @return string the bank in which questions live that were changed before acts had one */
    public function bank(array $ids): string
    {
        $bank = DB::table('questions')->where('id', $ids[0])->value('bank_id');

        return is_string($bank) ? $bank : throw new \LogicException('An act without a bank changed a question that is not there.');
    }

    /**
     * @param  array{fields: array<mixed>, newer: bool}  $before
     *
     * @throws Left when all of it was changed since; where some was, the rest is put back and the row gets a note
     */
    public function apply(\stdClass $row, Standing $now, array $before): Standing
    {
        if ($before['fields'] === []) {
            throw new Left('It was changed again since.');
        }
        if ($before['newer']) {
            $row->note = 'Some of it was changed again since, and that stays.';
        }
        $record = Json::copy($now->record);
        assert($record instanceof \stdClass);
        [$topics, $folders, $content, $binned, $home] = [$now->topics, $now->folders, $now->content, $now->isBinned, $now->isHome];
        foreach ($before['fields'] as $field => $value) {
            if ($field === 'home' && $value instanceof \stdClass) {
                [$row->home, $row->folders_back] = [$value->bank ?? '', $value->folders ?? []];
                $home = ! $home;
            } elseif ($field === 'topics' || $field === 'folders') {
                /** @var list<list<string>> $paths */
                $paths = $value ?? [];
                $field === 'topics' ? $topics = $paths : $folders = $paths;
            } elseif ($field === 'revision') {
                $content = $value instanceof \stdClass ? $value : $content;
            } elseif ($field === 'copy') {
                $binned = true; // a copy that should not be goes where it can be found again
            } elseif ($field === 'bin') {
                $binned = $value === true;
            } elseif ($value === null) {
                unset($record->{$field});
            } else {
                $record->{$field} = $value;
            }
        }

        return $now->after($record, $topics, $folders, $content, $binned, $home);
    }

    /**
     * @param  array<string, mixed>  $revisions  question → number
     * @return array<string, \stdClass>
     */
    private function contents(array $revisions): array
    {
        $wanted = Json::encode(array_map(fn (string $id, mixed $number): array => ['id' => $id, 'number' => $number], array_keys($revisions), $revisions));
        $contents = [];
        foreach (DB::select('SELECT question_id, content FROM revisions JOIN jsonb_to_recordset(?::jsonb) AS one (id uuid, number integer) ON one.id = question_id AND one.number = revisions.number', [$wanted]) as $row) {
            $json = Json::decode($row->content);
            assert($json instanceof \stdClass);
            $contents[$row->question_id] = $json;
        }

        return $contents;
    }
}
