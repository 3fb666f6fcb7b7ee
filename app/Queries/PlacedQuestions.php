<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use Illuminate\Support\Facades\DB;
use WideQuarry\Migration\SourceQuestion;

/** Questions of a bank as a pattern of names sees them: their quiz is an assessment that asks them, or else the folder they are in. */
final class PlacedQuestions
{
    /**
     * @param  list<string>  $ids
     * @return array<string, SourceQuestion> by their ids
     */
    public static function of(array $ids, string $bankId): array
    {
        $found = [];
        $topics = Topics::paths($ids);
        foreach (array_chunk($ids, 5000) as $some) {
            $list = '{'.implode(',', $some).'}';
            $quizzes = self::quizzes($list, $bankId);
            /** @var list<object{id: string, title: string, kinds: string, points: string, folder: string|null}&\stdClass> $rows */
            $rows = DB::select(
                <<<'SQL'
                SELECT questions.id, title, kinds, points, (SELECT string_agg(above.name, E'\x1f' ORDER BY nlevel(above.path))
                    FROM folders AS above WHERE above.path @> placed.path AND above.bank_id = placed.bank_id) AS folder
                FROM questions LEFT JOIN LATERAL (SELECT folders.path, folders.bank_id FROM placements
                    JOIN folders ON folders.id = folder_id WHERE question_id = questions.id AND folders.bank_id = ?
                    ORDER BY folders.path LIMIT 1) AS placed ON true
                WHERE questions.id = ANY (?::uuid[]) ORDER BY folder, title, questions.id
                SQL,
                [$bankId, $list],
            );
            foreach ($rows as $row) {
                $folder = $row->folder === null ? [] : explode("\x1f", $row->folder);
                $quiz = $quizzes[$row->id] ?? '';
                $found[$row->id] = new SourceQuestion(
                    $row->id,
                    count($found) + 1,
                    $quiz === '' || ($folder[0] ?? '') === $quiz ? $folder : [$quiz, ...$folder],
                    PostgresArray::read($row->kinds),
                    rtrim(rtrim($row->points, '0'), '.'),
                    $topics[$row->id][0] ?? [],
                    $row->title,
                );
            }
        }

        return $found;
    }

    /** @return array<string, string> question → title of an assessment of the bank that asks it */
    private static function quizzes(string $list, string $bankId): array
    {
        /** @var list<object{question: string, title: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT DISTINCT ON (asked.id) asked.id AS question, assessments.title FROM assessments
                CROSS JOIN jsonb_path_query(content, '$.sections[*].entries[*]') AS entry
                CROSS JOIN LATERAL (SELECT entry->>'question' AS id UNION ALL SELECT jsonb_array_elements_text(
                    CASE jsonb_typeof(entry->'pool') WHEN 'array' THEN entry->'pool' ELSE '[]' END)) AS asked
            WHERE assessments.bank_id = ? AND asked.id = ANY (?::text[]) ORDER BY asked.id, assessments.created_at
            SQL,
            [$bankId, $list],
        );

        return array_column($rows, 'title', 'question');
    }
}
