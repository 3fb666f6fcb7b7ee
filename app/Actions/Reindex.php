<?php

declare(strict_types=1);

namespace App\Actions;

use App\Indexing\QuestionIndex;
use App\Infrastructure\Sql;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Derives everything again that is derived from questions: columns, words, near prints. Run after an upgrade that derives more or
 * otherwise.
 *
 * @phpstan-type IndexedRow object{id: string, revision: int, record: string, content: string}&\stdClass
 */
final readonly class Reindex
{
    /** Raised when what is derived changes; what is stored under an older number is rebuilt in the background after an upgrade. */
    public const VERSION = 3;

    private const CHUNK = 200;

    public function __construct(private PartKinds $kinds)
    {
    }

    public static function isDue(): bool
    {
        $stored = DB::table('settings')->where('name', 'index_version')->value('value');

        return ! is_string($stored) || (int) $stored < self::VERSION;
    }

    /** @return int how many questions */
    public function handle(): int
    {
        $after = '00000000-0000-0000-0000-000000000000';
        $count = 0;
        while (($rows = $this->rows($after)) !== []) {
            DB::transaction(fn () => $this->chunk($rows));
            $after = $rows[count($rows) - 1]->id;
            $count += count($rows);
        }
        DB::table('settings')->upsert([['name' => 'index_version', 'value' => (string) self::VERSION]], ['name']);

        return $count;
    }

    /**
     * Rebuilds the search words of the questions that show a stimulus.
     *
     * @param  int|null  $most  do nothing when more questions than this show it
     * @return bool whether it was done
     */
    public function showing(string $stimulus, ?int $most = null): bool
    {
        /** @var list<string> $ids */
        $ids = DB::table('question_stimuli')
            ->where('stimulus_id', $stimulus)
            ->when($most !== null, fn (Builder $shown) => $shown->limit($most + 1))
            ->orderBy('question_id')
            ->pluck('question_id')
            ->all();
        if ($most !== null && count($ids) > $most) {
            return false;
        }
        foreach (array_chunk($ids, self::CHUNK) as $some) {
            /** @var list<object{id: string, record: string, content: string}&\stdClass> $rows */
            $rows = DB::select(
                <<<'SQL'
                    SELECT questions.id, record, content FROM questions
                        JOIN revisions ON question_id = questions.id AND number = questions.revision WHERE questions.id = ANY (?::uuid[])
                        ORDER BY questions.id
                    SQL,
                ['{'.implode(',', $some).'}'],
            );
            QuestionIndex::manyWords(
                array_map(
                    fn (\stdClass $row): array => ['id' => $row->id, ...QuestionIndex::search($this->question($row))],
                    $rows,
                ),
            );
        }

        return true;
    }

    /** @return list<IndexedRow> */
    private function rows(string $after): array
    {
        /** @var list<IndexedRow> */
        return Sql::rows(
            <<<'SQL'
            SELECT questions.id, questions.revision, record, content FROM questions
                JOIN revisions ON question_id = questions.id AND number = questions.revision
            WHERE questions.id > ? ORDER BY questions.id LIMIT ?
            SQL,
            [$after, self::CHUNK],
        );
    }

    /** @param  list<IndexedRow>  $rows */
    private function chunk(array $rows): void
    {
        $words = [];
        foreach ($rows as $row) {
            $question = $this->question($row);
            // somebody who saved it meanwhile derived it themselves
            $isStored =
                DB::table('questions')
                    ->where('id', $row->id)
                    ->where('revision', $row->revision)
                    ->update(QuestionIndex::columns($question)) === 1;
            if ($isStored) {
                $words[] = ['id' => $row->id, ...QuestionIndex::search($question)];
            }
        }
        QuestionIndex::manyWords($words);
        QuestionIndex::note(array_column($words, 'id'));
    }

    /** @param  object{id: string, record: string, content: string}&\stdClass  $row */
    private function question(\stdClass $row): Question
    {
        $json = Json::object($row->content);
        $json->record = Json::object($row->record);

        return Question::read($json, $this->kinds);
    }
}
