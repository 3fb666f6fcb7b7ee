<?php

declare(strict_types=1);

namespace App\Queries;

use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** What questions that are asked somewhere say, at a revision, and their records as they are now. */
final class AskedContents
{
    /**
     * @param  list<array{string, int}>  $wanted  questions, each with a revision
     * @return array<string, string> "question revision" → its content
     */
    public static function of(array $wanted): array
    {
        /** @var list<object{question_id: string, number: int, content: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
                SELECT question_id, number, content FROM revisions
                    JOIN jsonb_to_recordset(?::jsonb) AS wanted (question uuid, revision integer) ON question_id = wanted.question
                    AND number = wanted.revision
                SQL,
            [Json::encode(array_map(fn (array $one): array => ['question' => $one[0], 'revision' => $one[1]], $wanted))],
        );
        $contents = [];
        foreach ($rows as $row) {
            $contents["$row->question_id $row->number"] = $row->content;
        }

        return $contents;
    }

    /**
     * @param  list<string>  $questions
     * @return array<string, string> question → its record, without the answers that were tried: they are long, and nobody asks for them
     */
    public static function records(array $questions): array
    {
        /** @var list<object{id: string, record: string}&\stdClass> $rows */
        $rows = DB::select("SELECT id, record - 'specimens' AS record FROM questions WHERE id = ANY (?::uuid[])", [
            '{'.implode(',', $questions).'}',
        ]);

        return array_column($rows, 'record', 'id');
    }
}
