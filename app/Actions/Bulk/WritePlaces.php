<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Queries\Folders;
use App\Queries\Topics;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** Writes topics and folders of many questions in a few statements; each path is looked up once. */
final class WritePlaces
{
    /** @var array<string, string|null> */
    private array $known = [];

    /**
     * @param  array<string, list<list<string>>>  $paths  question → what its topics are to be
     */
    public function topics(array $paths, string $bankId): void
    {
        $joins = $this->joins('topics', $paths, $bankId);
        $ids = Json::encode(array_map(strval(...), array_keys($paths)));
        DB::delete(
            <<<'SQL'
                DELETE FROM question_topics USING jsonb_array_elements_text(?::jsonb) AS given (id)
                    WHERE question_topics.question_id = given.id::uuid AND NOT EXISTS (SELECT 1
                    FROM jsonb_to_recordset(?::jsonb) AS one (question uuid, node uuid)
                    WHERE one.question = question_topics.question_id AND one.node = question_topics.topic_id)
                SQL,
            [$ids, $joins],
        );
        DB::insert(
            <<<'SQL'
                INSERT INTO question_topics (question_id, topic_id) SELECT question, node
                    FROM jsonb_to_recordset(?::jsonb) AS one (question uuid, node uuid) ON CONFLICT DO NOTHING
                SQL,
            [$joins],
        );
    }

    /**
     * @param  array<string, list<list<string>>>  $paths  question → what its folders in this bank are to be; elsewhere it stays where it
     * is
     */
    public function folders(array $paths, string $bankId): void
    {
        $joins = $this->joins('folders', $paths, $bankId);
        $ids = Json::encode(array_map(strval(...), array_keys($paths)));
        DB::delete(
            <<<'SQL'
                DELETE FROM placements USING jsonb_array_elements_text(?::jsonb) AS given (id), folders
                    WHERE placements.question_id = given.id::uuid AND folders.id = placements.folder_id AND folders.bank_id = ?
                    AND NOT EXISTS (SELECT 1 FROM jsonb_to_recordset(?::jsonb) AS one (question uuid, node uuid)
                    WHERE one.question = placements.question_id AND one.node = placements.folder_id)
                SQL,
            [$ids, $bankId, $joins],
        );
        // what comes last lies last, where an order was made by hand
        DB::insert(
            <<<'SQL'
                INSERT INTO placements (question_id, folder_id, position) SELECT question, node, coalesce((SELECT max(position) + 1
                    FROM placements WHERE folder_id = node AND position > 0), 0)
                    FROM jsonb_to_recordset(?::jsonb) AS one (question uuid, node uuid) ON CONFLICT DO NOTHING
                SQL,
            [$joins],
        );
    }

    /** @param  array<string, list<list<string>>>  $paths */
    private function joins(string $tree, array $paths, string $bankId): string
    {
        $joins = [];
        foreach ($paths as $question => $some) {
            foreach ($some as $path) {
                $key = "$tree $bankId ".Json::encode($path);
                if (! array_key_exists($key, $this->known)) {
                    $this->known[$key] = $tree === 'topics' ? Topics::at($path, $bankId) : Folders::at($path, $bankId);
                }
                if ($this->known[$key] !== null) {
                    $joins[] = ['question' => $question, 'node' => $this->known[$key]];
                }
            }
        }

        return Json::encode($joins);
    }
}
