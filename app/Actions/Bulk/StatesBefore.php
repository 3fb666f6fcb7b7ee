<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use Illuminate\Support\Facades\DB;
use WideQuarry\Bulk\FieldRestore;
use WideQuarry\Bulk\QuestionState;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** What an act left, put back: only where it is still as the act left it, unless a question is named. */
final readonly class StatesBefore
{
    /** A field that was changed again is in the log again; a save at the desk is a revision, and in no log. */
    private const NEWER = "(EXISTS (SELECT 1 FROM changes AS later WHERE later.question_id = changes.question_id AND later.field = changes.field AND later.id > changes.id)
        OR (changes.field = 'revision' AND changes.after <> (SELECT to_jsonb(revision) FROM questions WHERE questions.id = changes.question_id)))";

    /**
     * The next questions of an act, by their ids.
     *
     * @param  list<string>|null  $only
     * @return array{list<string>, array<string, array{fields: array<mixed>, newer: bool}>} question → what was, by field, and whether
     *     some of it was changed since
     */
    public function next(string $act, ?string $after, ?array $only): array
    {
        $newer = $only === null ? self::NEWER : 'false';
        /** @var list<object{question_id: string, fields: string|null, newer: bool}&\stdClass> $rows */
        $rows = DB::select(
            "SELECT question_id, json_object_agg(field, before) FILTER (WHERE NOT $newer) AS fields, bool_or($newer) AS newer FROM ".
                'changes WHERE operation_id = ? AND '.
                "question_id > coalesce(?::uuid, '00000000-0000-0000-0000-000000000000') AND (?::uuid[] ".
                'IS NULL OR question_id = ANY (?::uuid[])) GROUP BY question_id ORDER BY question_id LIMIT '.
                ChangeChunk::SIZE,
            [$act, $after, ...array_fill(0, 2, $only === null ? null : '{'.implode(',', $only).'}')],
        );
        $befores = [];
        foreach ($rows as $row) {
            $befores[$row->question_id] = [
                'fields' => $row->fields === null ? [] : (array) Json::decode($row->fields),
                'newer' => $row->newer,
            ];
        }
        $revisions = array_filter(array_map(fn (array $one): mixed => $one['fields']['revision'] ?? null, $befores));
        foreach ($revisions === [] ? [] : $this->contents($revisions) as $id => $content) {
            $befores[$id] = [
                'fields' => [...$befores[$id]['fields'] ?? [], 'revision' => $content],
                'newer' => $befores[$id]['newer'] ?? false,
            ];
        }

        return [array_column($rows, 'question_id'), $befores];
    }

    /**
     * @param  array{fields: array<mixed>, newer: bool}  $before
     *
     * @throws \WideQuarry\Bulk\QuestionSkipped when there is nothing to put back; where there is something, but not all, the row gets a
     *     note
     */
    public function apply(\stdClass $row, QuestionState $now, array $before): QuestionState
    {
        if ($before['newer'] && $before['fields'] !== []) {
            $row->note = Message::of('bulk.some-stays');
        }
        $home = $before['fields']['home'] ?? null;
        if ($home instanceof \stdClass) {
            [$row->home, $row->folders_back] = [$home->bank ?? '', $home->folders ?? []];
        }

        return (new FieldRestore($before['fields']))->apply($now);
    }

    /**
     * @param  array<string, mixed>  $revisions  question → number
     * @return array<string, \stdClass>
     */
    private function contents(array $revisions): array
    {
        $wanted = Json::encode(
            array_map(fn (string $id, mixed $number): array => ['id' => $id, 'number' => $number], array_keys($revisions), $revisions),
        );
        $contents = [];
        /** @var list<object{question_id: string, content: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT question_id, content FROM revisions
                    JOIN jsonb_to_recordset(?::jsonb) AS one (id uuid, number integer) ON one.id = question_id
                    AND one.number = revisions.number
                SQL,
            [$wanted],
        );
        foreach ($rows as $row) {
            $json = Json::object($row->content);
            $contents[$row->question_id] = $json;
        }

        return $contents;
    }
}
