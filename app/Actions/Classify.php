<?php

declare(strict_types=1);

namespace App\Actions;

use App\Models\User;
use App\Support\ChangeLog;
use App\Support\Folders;
use App\Support\QuestionIndex;
use App\Support\Topics;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Completeness;
use WideQuarry\Question\PathsChange;
use WideQuarry\Question\Question;
use WideQuarry\Question\RecordChange;

/**
 * Changes records, topics and folders of one question or many under one act, which can be undone as a whole.
 */
final readonly class Classify
{
    private const CHUNK = 200;

    /** Fields whose words are searched. */
    private const SEARCHED = ['tags', 'notes', 'source', 'author'];

    public function __construct(private Parts $kinds)
    {
    }

    /**
     * @param  list<string>  $ids  questions of the bank; those of other banks are left alone
     * @param  PathsChange  $folders  in this bank
     * @param  string|null  $act  one that was begun; a new one otherwise
     * @return array{act: string, changed: int, left: list<array{id: string, title: string, why: string}>} left: those that could not be changed
     *
     * @throws \WideQuarry\Json\Malformed
     */
    public function handle(string $bankId, array $ids, RecordChange $change, PathsChange $topics, PathsChange $folders, User $person, ?string $act = null): array
    {
        $act ??= self::begin('classify', $person);
        $done = ['act' => $act, 'changed' => 0, 'left' => []];
        foreach (array_chunk(array_values(array_unique($ids)), self::CHUNK) as $chunk) {
            DB::transaction(function () use ($chunk, $bankId, $change, $topics, $folders, $person, $act, &$done): void {
                $paths = Topics::paths($chunk);
                $places = Folders::paths($chunk);
                $rows = DB::table('questions')->where('bank_id', $bankId)->whereIn('id', $chunk)->orderBy('id')->lockForUpdate()->get(['id', 'title', 'revision', 'record', 'is_complete', 'specimens_failing']);
                foreach ($rows as $row) {
                    assert(is_string($row->id) && is_string($row->record) && is_string($row->title));
                    $refusal = $change->status() === 'approved' ? Completeness::refusal($row->is_complete === true, is_int($row->specimens_failing) ? $row->specimens_failing : 0) : null;
                    if ($refusal !== null) {
                        $done['left'][] = ['id' => $row->id, 'title' => $row->title, 'why' => $refusal];

                        continue;
                    }
                    $done['changed'] += $this->one($row, $bankId, $change, [$paths[$row->id] ?? [], $topics], [$places[$row->id] ?? [], $folders], $person, $act) ? 1 : 0;
                }
            });
        }

        return $done;
    }

    public static function begin(string $kind, User $person, ?string $undoes = null): string
    {
        $act = (string) Str::uuid7();
        DB::table('acts')->insert(['id' => $act, 'user_id' => $person->id, 'kind' => $kind, 'undoes' => $undoes]);

        return $act;
    }

    /**
     * @param  array{list<list<string>>, PathsChange}  $topics  present and change
     * @param  array{list<list<string>>, PathsChange}  $folders
     */
    private function one(\stdClass $row, string $bankId, RecordChange $change, array $topics, array $folders, User $person, string $act): bool
    {
        assert(is_string($row->record) && is_string($row->id));
        $before = Json::decode($row->record);
        assert($before instanceof \stdClass);
        $after = $change->apply($before);
        [$topicsAfter, $foldersAfter] = [$topics[1]->apply($topics[0]), $folders[1]->apply($folders[0])];
        $log = fn (\stdClass $record, array $paths, array $places): array => [...(array) $record, 'topics' => $paths, 'folders' => $places];
        if (ChangeLog::write($row->id, $log($before, $topics[0], $folders[0]), $log($after, $topicsAfter, $foldersAfter), $person->id, $act) === 0) {
            return false;
        }
        if ($topicsAfter !== $topics[0]) {
            Topics::put($row->id, $topicsAfter, $bankId);
        }
        if ($foldersAfter !== $folders[0]) {
            $this->place($row->id, $folders[0], $foldersAfter, $bankId);
        }
        $this->store($row, $before, $after);

        return true;
    }

    private function store(\stdClass $row, \stdClass $before, \stdClass $after): void
    {
        if (Json::encode($before) === Json::encode($after)) {
            return;
        }
        $content = DB::scalar('SELECT content FROM revisions WHERE question_id = ? AND number = ?', [$row->id, $row->revision]);
        $json = Json::decode(is_string($content) ? $content : '');
        assert($json instanceof \stdClass);
        $json->record = $after;
        $question = Question::read($json, $this->kinds);
        $judged = fn (\stdClass $record): string => Json::encode([$record->specimens ?? [], $record->origin ?? null]); // what completeness looks at
        $columns = $judged($before) === $judged($after) ? QuestionIndex::ofRecord($question) : QuestionIndex::columns($question);
        if ($question->record->status === 'approved') {
            $columns['approved_revision'] = $row->revision;
        }
        DB::table('questions')->where('id', $row->id)->update(['record' => Json::encode($after), 'updated_at' => now(), ...$columns]);
        foreach (self::SEARCHED as $field) {
            if (($before->{$field} ?? null) != ($after->{$field} ?? null)) {
                QuestionIndex::words($question);
                break;
            }
        }
    }

    /**
     * @param  list<list<string>>  $before
     * @param  list<list<string>>  $after
     */
    private function place(string $question, array $before, array $after, string $bankId): void
    {
        $id = fn (array $path): ?string => Folders::at(array_values(array_filter($path, is_string(...))), $bankId);
        $gone = array_filter(array_map($id, array_values(array_filter($before, fn (array $path): bool => ! in_array($path, $after, true)))));
        DB::table('placements')->where('question_id', $question)->whereIn('folder_id', $gone)->delete();
        foreach ($after as $path) {
            $folder = in_array($path, $before, true) ? null : $id($path);
            $folder === null || DB::table('placements')->insertOrIgnore(['question_id' => $question, 'folder_id' => $folder]);
        }
    }
}
