<?php

declare(strict_types=1);

namespace App\Queries;

use App\Indexing\QuestionIndex;
use App\Infrastructure\TreeLock;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;

/** The tree of topics a bank uses: its team's, or its own. In records a topic is the path of its titles. */
final class Topics
{
    /** @return array{team_id: string|null, bank_id: string|null} */
    public static function owner(string $bankId): array
    {
        $team = DB::scalar('SELECT team_id FROM banks WHERE id = ?', [$bankId]);

        return is_string($team) ? ['team_id' => $team, 'bank_id' => null] : ['team_id' => null, 'bank_id' => $bankId];
    }

    public static function of(string $bankId): Builder
    {
        return DB::table('topics')->where(self::owner($bankId));
    }

    /**
     * The topic at a path, made where it is missing.
     *
     * @param  list<string>  $path
     */
    public static function at(array $path, string $bankId): ?string
    {
        $found = self::walk($path, $bankId, false);

        return $found === false ? TreeLock::hold('topics', $bankId, fn (): ?string => self::walk($path, $bankId, true) ?: null) : $found;
    }

    /**
     * The topics at many paths, those that are there found in one query.
     *
     * @param  array<string, list<string>>  $paths
     * @return array<string, string|null> as they are keyed; null for an empty path
     */
    public static function atAll(array $paths, string $bankId): array
    {
        $titles = array_values(array_unique(array_map(trim(...), array_merge(...array_values($paths)))));
        /** @var array<string, string> $known "parent title" → id */
        $known = self::of($bankId)
            ->whereRaw('title = ANY (?::text[])', [QuestionIndex::array($titles)]) // one value, however many a package names
            ->selectRaw("id, coalesce(parent_id::text, '') || ' ' || title AS place")
            ->pluck('id', 'place')
            ->all();
        $found = [];
        foreach ($paths as $key => $path) {
            $at = '';
            foreach (array_filter(array_map(trim(...), $path), fn (string $title): bool => $title !== '') as $title) {
                $at = $at === null ? null : $known["$at $title"] ?? null;
            }
            $found[$key] = $at === null || $at === '' ? self::at($path, $bankId) : $at;
        }

        return $found;
    }

    /**
     * @param  list<string>  $path
     * @param  bool  $create  with the tree locked
     * @return string|null|false null for an empty path, false when a topic is missing and none is created
     */
    private static function walk(array $path, string $bankId, bool $create): string|null|false
    {
        $owner = self::owner($bankId);
        $parent = null;
        $label = '';
        foreach ($path as $title) {
            if (trim($title) === '') {
                continue;
            }
            $found = DB::table('topics')->where($owner)->where('parent_id', $parent)->where('title', trim($title))->value('id');
            $id = is_string($found) ? $found : (string) Str::uuid7();
            $label .= ($label === '' ? '' : '.').str_replace('-', '', $id);
            if ($found === null && ! $create) {
                return false;
            }
            if ($found === null) {
                DB::table('topics')->insert([...$owner, 'id' => $id, 'parent_id' => $parent, 'title' => trim($title), 'path' => $label]);
            }
            $parent = $id;
        }

        return $parent;
    }

    /**
     * @param  list<string>  $questions
     * @return array<string, list<list<string>>> question → paths of titles, in order
     */
    public static function paths(array $questions): array
    {
        /** @var list<object{question_id: string, path: string}&\stdClass> $rows */
        $rows = DB::select(
            <<<'SQL'
            SELECT question_topics.question_id, array_to_json(array_agg(above.title ORDER BY nlevel(above.path))) AS path
            FROM question_topics JOIN topics ON topics.id = question_topics.topic_id JOIN topics AS above ON topics.path <@ above.path
            WHERE question_topics.question_id = ANY (?::uuid[]) GROUP BY question_topics.question_id, topics.id ORDER BY 1, 2::text
            SQL,
            ['{'.implode(',', $questions).'}'],
        );
        $paths = [];
        foreach ($rows as $row) {
            $paths[$row->question_id][] = Json::texts($row->path);
        }

        return $paths;
    }

    /** @param  list<list<string>>  $paths  what the question's topics are to be */
    public static function put(string $question, array $paths, string $bankId): void
    {
        $wanted = array_values(array_unique(array_filter(array_map(fn (array $path): ?string => self::at($path, $bankId), $paths))));
        DB::table('question_topics')->where('question_id', $question)->whereNotIn('topic_id', $wanted)->delete();
        DB::table('question_topics')->insertOrIgnore(
            array_map(fn (string $topic): array => ['question_id' => $question, 'topic_id' => $topic], $wanted),
        );
    }
}
