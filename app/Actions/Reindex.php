<?php

declare(strict_types=1);

namespace App\Actions;

use App\Support\QuestionIndex;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;

/**
 * Derives everything again that is derived from questions: columns, words, near prints. Run after an upgrade that derives more or
 * otherwise.
 */
final readonly class Reindex
{
    /** Raised when what is derived changes; what is stored under an older number is rebuilt in the background after an upgrade. */
    public const VERSION = 1;

    private const CHUNK = 200;

    public function __construct(private Parts $kinds)
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

    /** @return list<\stdClass> */
    private function rows(string $after): array
    {
        return array_values(
            DB::select(
                <<<'SQL'
SELECT questions.id, questions.revision, record, content FROM questions JOIN revisions ON question_id = questions.id AND number = questions.revision
WHERE questions.id > ? ORDER BY questions.id LIMIT ?
SQL
                ,
                [$after, self::CHUNK]
            )
        );
    }

    /** @param  list<\stdClass>  $rows */
    private function chunk(array $rows): void
    {
        $words = [];
        foreach ($rows as $row) {
            $json = Json::decode($row->content);
            assert($json instanceof \stdClass);
            $json->record = Json::decode($row->record);
            $question = Question::read($json, $this->kinds);
            // somebody who saved it meanwhile derived it themselves
            $isStored =
                DB::table('questions')
                    ->where('id', $row->id)
                    ->where('revision', $row->revision)
                    ->update(QuestionIndex::columns($question)) === 1;
            $isStored && ($words[] = ['id' => $row->id, ...QuestionIndex::search($question)]);
        }
        QuestionIndex::manyWords($words);
        QuestionIndex::note(array_column($words, 'id'));
    }
}
