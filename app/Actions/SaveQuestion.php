<?php

declare(strict_types=1);

namespace App\Actions;

use App\Indexing\QuestionIndex;
use App\Jobs\StudyRolls;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\Folders;
use App\Queries\Topics;
use App\Storage\ChangeLog;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Question\Approval;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Stores a question: a new one at revision 1, or a new revision of one that is there. */
final readonly class SaveQuestion
{
    public function __construct(private PartKinds $kinds)
    {
    }

    /** @param  list<list<string>>  $folders  paths of names in the bank; missing folders are created */
    public function create(Question $question, string $bankId, ?User $author, string $note = '', array $folders = []): void
    {
        $json = $this->canonical($question);
        DB::transaction(function () use ($json, $bankId, $author, $note, $folders): void {
            $question = Question::read($json, $this->kinds);
            if ($author !== null) {
                ReadableIds::of($author)->allowStimuli(self::stimulusPaths($question), []);
            }
            DB::table('questions')->insert([
                'id' => $question->id,
                'bank_id' => $bankId,
                'revision' => 1,
                'record' => $this->record($json),
                'created_by' => $author?->id,
                ...QuestionIndex::columns($question),
            ]);
            $this->derived($question, $bankId, true, $author);
            foreach ($folders as $path) {
                DB::table('placements')->insertOrIgnore(['question_id' => $question->id, 'folder_id' => Folders::at($path, $bankId)]);
            }
            $this->revision($question, 1, $author, $note);
        });
    }

    /**
     * @param  int  $base  the revision it was started from
     * @param  bool  $withRecord  whether the record is replaced too, as an import does; at the desk it is changed field by field
     * @param  string|null  $act  the act it belongs to
     * @return int|null the number of the new revision; null when somebody else has saved since, and nothing was stored
     */
    public function revise(
        Question $question,
        int $base,
        User $author,
        string $note = '',
        bool $withRecord = false,
        ?string $act = null,
    ): ?int {
        $json = $this->canonical($question);

        /** @var int|null */
        return DB::transaction(function () use ($json, $base, $author, $note, $withRecord, $act): ?int {
            $id = is_string($json->id) ? $json->id : '';
            $stored = DB::table('questions')
                ->where('id', $id)
                ->lockForUpdate()
                ->first(['bank_id', 'revision', 'record']);
            if ($stored === null || $stored->revision !== $base || ! is_string($stored->bank_id)) {
                return null;
            }
            $before = Json::object(is_string($stored->record) ? $stored->record : '{}');
            $before->topics = Topics::paths([$id])[$id] ?? [];
            $after = $withRecord && ($json->record ?? null) instanceof \stdClass ? $json->record : Json::copy($before);
            assert($after instanceof \stdClass);
            Approval::withdraw($after);
            $json->record = $after;
            $question = Question::read($json, $this->kinds);
            $shown = DB::table('question_stimuli')->where('question_id', $id)->pluck('stimulus_id')->all();
            if (! $withRecord) {
                ReadableIds::of($author)->allowStimuli(
                    self::stimulusPaths($question),
                    array_values(array_filter($shown, is_string(...))),
                );
            }
            ChangeLog::write($id, (array) $before, (array) $after, $author->id, $act);
            $this->revision($question, $base + 1, $author, $note);
            DB::table('questions')
                ->where('id', $id)
                ->update([
                    'revision' => $base + 1,
                    'updated_at' => now(),
                    'record' => $this->record($json),
                    ...QuestionIndex::columns($question),
                ]);
            $this->derived($question, $stored->bank_id, $withRecord, $author);
            DB::table('autosaves')->where('user_id', $author->id)->where('subject', $id)->delete();

            return $base + 1;
        });
    }

    /** @return array<string, string> JSON Pointer → stimulus */
    private static function stimulusPaths(Question $question): array
    {
        $paths = array_map(fn (int $i): string => "/question/stimuli/$i", array_keys($question->stimuli));

        return array_combine($paths, $question->stimuli);
    }

    private function derived(Question $question, string $bankId, bool $withTopics, ?User $author): void
    {
        QuestionIndex::stimuli($question, $author?->id);
        QuestionIndex::words($question);
        if ($question->variables->list !== []) {
            StudyRolls::dispatch($question->id, $author?->id)->afterCommit();
        }
        if ($withTopics) {
            Topics::put($question->id, $question->record->classification->topics, $bankId);
        }
    }

    /** Rich text is stored in one form, and only what the allow-list knows; the findings say what was left out. */
    private function canonical(Question $question): \stdClass
    {
        [$json] = Canonical::of($question->toJson());
        $json->language = $question->language; // what is stored says that it is not known

        return $json;
    }

    private function revision(Question $question, int $number, ?User $author, string $note): void
    {
        DB::table('revisions')->insert([
            'question_id' => $question->id,
            'number' => $number,
            'content' => Json::encode($question->content()),
            'note' => $note,
            'author_id' => $author?->id,
        ]);
    }

    /** The record as it is stored: topics are rows of their own. */
    private function record(\stdClass $json): string
    {
        $record = (array) ($json->record ?? []);
        unset($record['topics']);

        return Json::encode((object) $record);
    }
}
