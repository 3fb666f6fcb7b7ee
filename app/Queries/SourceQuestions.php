<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Models\Intake;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Migration\NamePattern;
use WideQuarry\Migration\Regrouping;
use WideQuarry\Migration\SourceQuestion;
use WideQuarry\Migration\StatedDraw;
use WideQuarry\Migration\Tally;

/** The questions of an intake as they stood in the quizzes they came from, and what is said of those. */
final class SourceQuestions
{
    /** Where nobody chose another pattern: what a flat quiz is put right by. */
    public const USUAL = '{quiz} › {kind}';

    /** @return array<string, SourceQuestion> staged question → what is known of it */
    public static function of(Intake $intake): array
    {
        $groups = self::groups($intake->id);
        $quizzes = self::quizzes($intake->id);
        /**
         * @var list<object{id: string, source_id: string, number: int, grp: string|null, kinds: string, points: string, topics: string,
         *     title: string, fingerprint: string, skipped: bool}&\stdClass> $rows
         */
        $rows = DB::table('staged_questions')
            ->where('intake_id', $intake->id)
            ->orderBy('number')
            ->get(['id', 'source_id', 'number', 'grp', 'kinds', 'points', 'topics', 'title', 'fingerprint', 'skipped'])
            ->all();
        $found = [];
        foreach ($rows as $row) {
            $path = $row->grp === null ? [] : self::path($row->grp, $groups);
            $topic = Json::decode($row->topics);
            $first = is_array($topic) && is_array($topic[0] ?? null) ? $topic[0] : [];
            $found[$row->id] = new SourceQuestion(
                $row->source_id,
                $row->number,
                $path !== [] ? $path : self::alone($quizzes[$row->source_id] ?? ''),
                PostgresArray::read($row->kinds),
                rtrim(rtrim($row->points, '0'), '.'),
                array_values(array_filter($first, is_string(...))),
                $row->title,
                $row->fingerprint,
                $row->skipped,
            );
        }

        return $found;
    }

    /** @param  array<string, SourceQuestion>  $questions */
    public static function regrouped(Intake $intake, array $questions, ?string $pattern = null): Regrouping
    {
        $pattern ??= $intake->pattern === '' ? self::USUAL : $intake->pattern;
        $held = Json::decode($intake->folder_names);
        $names = [];
        foreach ($held instanceof \stdClass ? get_object_vars($held) : [] as $folder => $name) {
            $names[(string) $folder] = is_string($name) ? $name : '';
        }

        return Regrouping::of($questions, NamePattern::read($pattern), $names);
    }

    /** @return list<StatedDraw> */
    public static function stated(Intake $intake): array
    {
        $lines = Json::decode($intake->statements);

        return array_map(fn (mixed $one): StatedDraw => StatedDraw::read($one, '/lines'), is_array($lines) ? array_values($lines) : []);
    }

    public static function tally(Intake $intake): Tally
    {
        return Tally::of(self::regrouped($intake, self::of($intake)), self::stated($intake));
    }

    /** @return list<string> */
    private static function alone(string $quiz): array
    {
        return $quiz === '' ? [] : [$quiz];
    }

    /** @return array<string, \stdClass> */
    private static function groups(string $intake): array
    {
        $groups = [];
        foreach (DB::table('staged_things')->where('intake_id', $intake)->where('type', 'group')->pluck('value') as $value) {
            $group = Json::decode(is_string($value) ? $value : '{}');
            if ($group instanceof \stdClass && is_string($group->id ?? null)) {
                $groups[$group->id] = $group;
            }
        }

        return $groups;
    }

    /**
     * Titles of the groups around a question. A quiz is the first, whatever stands around it.
     *
     * @param  array<string, \stdClass>  $groups
     * @return list<string>
     */
    private static function path(string $group, array $groups): array
    {
        $path = [];
        for (
            $id = $group;
            isset($groups[$id]) && count($path) < 20;
            $id = is_string($groups[$id]->parent ?? null) ? $groups[$id]->parent : ''
        ) {
            $title = is_string($groups[$id]->title ?? null) ? trim($groups[$id]->title) : '';
            if ($title !== '' && ($path[0] ?? null) !== $title) {
                array_unshift($path, $title);
            }
            if (($groups[$id]->kind ?? '') === 'quiz') {
                break;
            }
        }

        return $path;
    }

    /** @return array<string, string> question → title of an assessment that asks it */
    private static function quizzes(string $intake): array
    {
        $quizzes = [];
        /** @var object{title: string|null, question: string|null}&\stdClass $row */
        foreach (
            DB::select(
                <<<'SQL'
                SELECT things.value->>'title' AS title, coalesce(entry->>'question', pooled.id) AS question
                FROM staged_things AS things CROSS JOIN jsonb_path_query(things.value, '$.sections[*].entries[*]') AS entry
                    LEFT JOIN LATERAL jsonb_array_elements_text(
                        CASE jsonb_typeof(entry->'pool') WHEN 'array' THEN entry->'pool' ELSE '[]' END) AS pooled (id) ON true
                WHERE things.intake_id = ? AND things.type = 'assessment'
                SQL,
                [$intake],
            ) as $row
        ) {
            if ($row->question !== null) {
                $quizzes[$row->question] ??= $row->title ?? '';
            }
        }

        return $quizzes;
    }
}
