<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Indexing\QuestionIndex;
use App\Models\User;
use App\Queries\Folders;
use App\Queries\Topics;
use App\Storage\ChangeLog;
use App\Storage\MediaStore;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Bulk\CarryOver;
use WideQuarry\Bulk\QuestionCopy;
use WideQuarry\Bulk\QuestionSkipped;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Copies questions into a bank: as drafts with identifiers of their own, the newest revision of each, with their media, topics and
 * stimuli.
 *
 * @phpstan-type OriginalRow object{id: string, bank_id: string, record: string, content: string}&\stdClass
 */
final class CopyChunk
{
    public function __construct(private readonly WritePlaces $places, private readonly PartKinds $kinds)
    {
    }

    /**
     * @param  list<string>  $ids  readable by the person
     * @param  list<list<string>>|null  $folders  where the copies lie; in folders of the same names as the originals when null
     * @param  CarryOver|null  $carry  how they are filed and classified there; as the originals when null
     */
    public function handle(string $act, array $ids, string $bankId, ?array $folders, User $person, ?CarryOver $carry = null): void
    {
        DB::transaction(function () use ($act, $ids, $bankId, $folders, $person, $carry): void {
            $list = '{'.implode(',', $ids).'}';
            /** @var list<OriginalRow> $rows */
            $rows = DB::select(
                <<<'SQL'
                    SELECT questions.id, questions.bank_id, record, content FROM questions
                        JOIN revisions ON question_id = questions.id AND number = questions.revision
                        WHERE questions.id = ANY (?::uuid[]) AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                        WHERE visible.id = questions.id OFFSET 0) ORDER BY questions.id FOR SHARE OF questions
                    SQL,
                [$list, $person->id],
            );
            $clashes = MediaStore::clashes(array_column($rows, 'id'), $bankId);
            $copied = array_values(array_filter($rows, fn (\stdClass $row): bool => ! isset($clashes[$row->id])));
            $left = array_map(
                fn (string $id, string $name): array => ['id' => $id, 'why' => QuestionSkipped::clash($name)->getMessage()],
                array_keys($clashes),
                $clashes,
            );
            DB::insert(
                <<<'SQL'
                    INSERT INTO bulk_skips (operation_id, question_id, why) SELECT ?, id, why
                        FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, why text) ON CONFLICT DO NOTHING
                    SQL,
                [$act, Json::encode($left)],
            );
            $new = $this->insert($copied, $bankId, $person, $carry);
            $this->surround($copied, $new, $bankId, $folders, $carry);
            ChangeLog::rows(
                array_map(
                    fn (string $from, string $to): array => [
                        'question' => $to,
                        'field' => 'copy',
                        'before' => null,
                        'after' => ['from' => $from],
                    ],
                    array_keys($new),
                    $new,
                ),
                $person->id,
                $act,
            );
            DB::update('UPDATE bulk_operations SET done = done + ?, changed = changed + ?, last = ? WHERE id = ?', [
                count($ids),
                count($new),
                $ids[count($ids) - 1] ?? null,
                $act,
            ]);
        });
    }

    /**
     * @param  list<OriginalRow>  $rows
     * @return array<string, string> original → copy
     */
    private function insert(array $rows, string $bankId, User $person, ?CarryOver $carry): array
    {
        $new = $questions = $revisions = $words = [];
        foreach ($rows as $row) {
            $json = self::copy($row, $new[$row->id] = (string) Str::uuid7(), $carry);
            $question = Question::read($json, $this->kinds);
            $questions[] = [
                'id' => $question->id,
                'bank_id' => $bankId,
                'revision' => 1,
                'record' => $json->record,
                'created_by' => $person->id,
                ...QuestionIndex::columns($question),
            ];
            $revisions[] = ['id' => $question->id, 'content' => $question->content()];
            $words[] = ['id' => $question->id, ...QuestionIndex::search($question)];
        }
        if ($questions === []) {
            return [];
        }
        $columns = implode(', ', array_keys($questions[0]));
        DB::insert("INSERT INTO questions ($columns) SELECT $columns FROM jsonb_populate_recordset(NULL::questions, ?::jsonb)", [
            Json::encode($questions),
        ]);
        DB::insert(
            <<<'SQL'
                INSERT INTO revisions (question_id, number, content, note, author_id) SELECT id, 1, content, 'copied', ?
                    FROM jsonb_to_recordset(?::jsonb) AS one (id uuid, content jsonb)
                SQL,
            [$person->id, Json::encode($revisions)],
        );
        $this->stimuli($new);
        QuestionIndex::manyWords($words);
        QuestionIndex::note(array_values($new));

        return $new;
    }

    /** @param  OriginalRow  $row */
    private static function copy(\stdClass $row, string $id, ?CarryOver $carry): \stdClass
    {
        $json = Json::decode($row->content);
        $record = Json::decode($row->record);
        assert($json instanceof \stdClass && $record instanceof \stdClass);

        return QuestionCopy::of($json, $carry?->standards($record) ?? $record, $id);
    }

    /**
     * @param  list<OriginalRow>  $rows
     * @param  array<string, string>  $new  original → copy
     * @param  list<list<string>>|null  $folders
     */
    private function surround(array $rows, array $new, string $bankId, ?array $folders, ?CarryOver $carry): void
    {
        $topics = Topics::paths(array_keys($new));
        $placed = $homes = [];
        foreach ($rows as $row) {
            $homes[$row->bank_id][] = $row->id;
        }
        foreach ($homes as $home => $ids) {
            MediaStore::share($ids, (string) $home, $bankId);
            $there = $folders === null ? Folders::paths($ids, (string) $home) : [];
            foreach ($ids as $id) {
                $lay = $folders ?? ($there[$id] ?? []);
                $placed[$new[$id]] = $carry?->folders($lay) ?? $lay;
            }
        }
        $this->places->topics(
            array_combine(array_values($new), array_map(
                fn (string $id): array => $carry?->topics($topics[$id] ?? []) ?? ($topics[$id] ?? []),
                array_keys($new),
            )),
            $bankId,
        );
        $this->places->folders($placed, $bankId);
    }

    /**
     * Who reads a question reads what it shows.
     *
     * @param  array<string, string>  $new  original → copy
     */
    private function stimuli(array $new): void
    {
        $pairs = array_map(fn (string $from, string $to): array => ['original' => $from, 'copy' => $to], array_keys($new), $new);
        DB::insert(
            <<<'SQL'
            INSERT INTO question_stimuli (question_id, stimulus_id)
            SELECT copy, stimulus_id FROM jsonb_to_recordset(?::jsonb) AS one (original uuid, copy uuid)
                JOIN question_stimuli ON question_id = original
            ON CONFLICT DO NOTHING
            SQL,
            [Json::encode($pairs)],
        );
    }
}
