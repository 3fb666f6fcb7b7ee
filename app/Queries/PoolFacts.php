<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Infrastructure\Sql;
use App\Models\User;
use Illuminate\Support\Facades\Cache;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Totals;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;

/**
 * What the pools of draws by conditions have in common, counted by the database: they may be of thousands of questions, none of which is
 * looked at one by one.
 *
 * @phpstan-import-type Entry from Totals
 * @phpstan-type Row object{there: int, hidden: int, low: string, high: string, points: string, kinds: string, one_kind: bool,
 *     difficulty: int|null, one_difficulty: bool|null, minutes: string|null, timed: int, marking: string, one_marking: bool}&\stdClass
 * @phpstan-type Facts array{there: int, hidden: int, low: string, high: string, each: Entry}
 */
final class PoolFacts
{
    private const SECONDS = 60;

    /**
     * @param  bool  $isRemembered  whether what was counted a moment ago of the same questions will do
     * @return array<string, Facts> draw → its facts; of draws that grow
     */
    public static function of(Assessment $assessment, User $person, bool $isRemembered = false): array
    {
        $draws = array_values(array_filter($assessment->draws(), fn (Draw $draw): bool => $draw->grows() && $draw->pool !== []));
        if ($draws === []) {
            return [];
        }
        $numbers = $questions = [];
        foreach ($draws as $i => $draw) {
            foreach ($draw->pool as $question) {
                $numbers[] = $i;
                $questions[] = $question;
            }
        }
        $pool = ['{'.implode(',', $numbers).'}', '{'.implode(',', $questions).'}'];
        $key = 'pools.'.hash('sha256', "$person->id $pool[0] $pool[1]");
        $known = $isRemembered ? Cache::get($key) : null;
        if (! is_array($known)) {
            $known = [self::counted($pool, $person), self::shared($pool)];
            Cache::put($key, $known, self::SECONDS);
        }
        /** @var array{list<\stdClass>, array<int, array<string, list<string>>>} $known */
        [$counted, $shared] = $known;
        $facts = [];
        foreach ($counted as $row) {
            assert(is_int($row->draw));
            $facts[$draws[$row->draw]->id] = self::facts($row, $shared[$row->draw] ?? []);
        }

        return $facts;
    }

    /**
     * @param  array{string, string}  $pool  numbers of draws and questions, side by side
     * @return list<\stdClass>
     */
    private static function counted(array $pool, User $person): array
    {
        return Sql::rows(
            <<<'SQL'
            WITH pool AS (SELECT draw, id FROM unnest(?::int[], ?::uuid[]) AS given (draw, id)),
                mine AS MATERIALIZED (SELECT bank_id FROM bank_roles(?))
            SELECT draw, count(*) AS there, min(points)::text AS low, max(points)::text AS high, sum(points)::text AS points,
                min(kinds)::text AS kinds, min(kinds) = max(kinds) AS one_kind, min(difficulty) AS difficulty,
                min(difficulty) = max(difficulty) AND count(difficulty) = count(*) AS one_difficulty, sum(minutes)::text AS minutes,
                count(minutes) AS timed, min(marking) AS marking, min(marking) = max(marking) AS one_marking,
                count(*) FILTER (WHERE bank_id NOT IN (SELECT bank_id FROM mine) AND NOT may_read_question(?, questions.id)) AS hidden
            FROM pool JOIN questions USING (id) WHERE binned_at IS NULL GROUP BY draw ORDER BY draw
            SQL,
            [...$pool, $person->id, $person->id],
        );
    }

    /**
     * Topics, standards and purposes that all of a pool have: those of one of them that the others have too.
     *
     * @param  array{string, string}  $pool
     * @return array<int, array<string, list<string>>> draw → sort → what they are called; topics as the JSON of their path
     */
    private static function shared(array $pool): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            WITH pool AS (SELECT draw, id FROM unnest(?::int[], ?::uuid[]) AS given (draw, id)),
                sizes AS (SELECT draw, count(*) AS size, min(id::text)::uuid AS one FROM pool GROUP BY draw),
                topic AS (
                    SELECT draw, topic_id FROM sizes JOIN question_topics AS of_one ON of_one.question_id = one WHERE size = (
                        SELECT count(*) FROM pool JOIN question_topics AS of_each ON of_each.question_id = pool.id
                        WHERE pool.draw = sizes.draw AND of_each.topic_id = of_one.topic_id)
                ),
                standard AS (
                    SELECT DISTINCT draw, statement_id FROM sizes JOIN question_standards AS of_one ON of_one.question_id = one
                    WHERE statement_id IS NOT NULL AND size = (
                        SELECT count(DISTINCT pool.id) FROM pool JOIN question_standards AS of_each ON of_each.question_id = pool.id
                        WHERE pool.draw = sizes.draw AND of_each.statement_id = of_one.statement_id)
                ),
                purpose AS (
                    SELECT draw, of_one.purpose AS what FROM sizes
                        CROSS JOIN LATERAL (SELECT unnest(purpose) AS purpose FROM questions WHERE id = one) AS of_one
                    WHERE size = (SELECT count(*) FROM pool JOIN questions USING (id)
                        WHERE pool.draw = sizes.draw AND of_one.purpose = ANY (questions.purpose))
                ),
                common AS (SELECT draw, 'topic' AS sort, topic_id::text AS what FROM topic
                    UNION ALL SELECT draw, 'standard', statement_id::text FROM standard UNION ALL SELECT draw, 'purpose', what FROM purpose)
            SELECT draw, sort, CASE sort
                WHEN 'topic' THEN (SELECT array_to_json(array_agg(above.title ORDER BY nlevel(above.path)))::text FROM topics
                    JOIN topics AS above ON topics.path <@ above.path WHERE topics.id = what::uuid)
                WHEN 'standard' THEN (SELECT trim(code || ' ' || coalesce(nullif(title, ''), text)) FROM statements WHERE id = what::uuid)
                ELSE what END AS called
            FROM common ORDER BY draw, sort, called
            SQL,
            $pool,
        );
        $shared = [];
        foreach ($rows as $row) {
            assert(is_int($row->draw) && is_string($row->sort) && is_string($row->called));
            $shared[$row->draw][$row->sort][] = $row->called;
        }

        return $shared;
    }

    /**
     * @param  array<string, list<string>>  $shared
     * @return Facts
     */
    private static function facts(\stdClass $row, array $shared): array
    {
        /** @var Row $row */
        $isOpen = $row->hidden === 0;

        return [
            'there' => $row->there,
            'hidden' => $row->hidden,
            'low' => $row->low,
            'high' => $row->high,
            'each' => [
                'points' => Exact::of($row->points)->dividedBy($row->there),
                'kinds' => $row->one_kind && $isOpen ? PostgresArray::read($row->kinds) : ['draw'],
                'topics' => $isOpen ? array_map(self::path(...), $shared['topic'] ?? []) : [],
                'standards' => $isOpen ? $shared['standard'] ?? [] : [],
                'difficulty' => $row->one_difficulty === true ? $row->difficulty : null,
                'minutes' => $row->minutes === null ? null : Exact::of($row->minutes)->dividedBy($row->timed),
                'purposes' => $isOpen ? $shared['purpose'] ?? [] : [],
                'marking' => $row->one_marking ? $row->marking : '',
            ],
        ];
    }

    /** @return list<string> */
    private static function path(string $json): array
    {
        $path = Json::decode($json);

        return array_values(array_filter(is_array($path) ? $path : [], is_string(...)));
    }
}
