<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Where questions lie and where they were printed or stored before, for lists. */
final class QuestionPlaces
{
    /**
     * @param  list<string>  $questions
     * @return array<string, list<string>> question → paths of its folders in banks this person reads, such as "Unit 4 › Homework"
     */
    public static function folders(array $questions, User $person): array
    {
        if ($questions === []) {
            return [];
        }
        /** @var list<object{question_id: string, path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT placements.question_id, string_agg(above.name, ' › ' ORDER BY nlevel(above.path)) AS path
            FROM placements JOIN folders ON folders.id = folder_id JOIN bank_roles(?) AS mine ON mine.bank_id = folders.bank_id
                JOIN folders AS above ON above.bank_id = folders.bank_id AND folders.path <@ above.path
            WHERE placements.question_id = ANY (?::uuid[]) GROUP BY placements.question_id, folders.id ORDER BY 1, 2
            SQL,
            [$person->id, '{'.implode(',', $questions).'}'],
        );
        $paths = [];
        foreach ($rows as $row) {
            $paths[$row->question_id][] = $row->path;
        }

        return $paths;
    }

    /**
     * Folders, then topics.
     *
     * @param  list<string>  $questions
     * @return array<string, list<string>> question → paths
     */
    public static function all(array $questions, User $person): array
    {
        if ($questions === []) {
            return [];
        }
        $folders = self::folders($questions, $person);
        $topics = Topics::paths($questions);
        $places = [];
        foreach ($questions as $id) {
            $places[$id] = [
                ...$folders[$id] ?? [],
                ...array_map(fn (array $path): string => implode(' › ', $path), $topics[$id] ?? []),
            ];
        }

        return $places;
    }

    /**
     * @param  list<string>  $questions
     * @return array<string, string> question → its source; only those that name one
     */
    public static function sources(array $questions): array
    {
        /** @var array<string, string> $sources */
        $sources = $questions === [] ? [] : DB::table('questions')
            ->whereIn('id', $questions)
            ->whereRaw("coalesce(record->>'source', '') <> ''")
            ->selectRaw("id, record->>'source' AS source")
            ->pluck('source', 'id')
            ->all();

        return $sources;
    }
}
