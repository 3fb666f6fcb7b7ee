<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Infrastructure\Sql;
use App\Models\Assessment;
use App\Models\User;
use WideQuarry\Blueprints\BlueprintLike;
use WideQuarry\Json\Json;
use WideQuarry\Numbers\Exact;

/** An assessment as a blueprint of another one like it. */
final class LikeAssessment
{
    /** @param  \stdClass  $fresh  an empty blueprint */
    public static function blueprint(Assessment $assessment, User $person, \stdClass $fresh): \stdClass
    {
        $document = $assessment->document();
        $asked = $document->blueprint?->toJson();
        if ($asked !== null) {
            $rules = is_array($asked->rules ?? null) ? $asked->rules : [];
            $id = 'like-'.substr($assessment->id, -12);
            $asked->rules = [...$rules, (object) ['id' => $id, 'rule' => 'not_in', 'assessments' => [$assessment->id]]];

            return $asked;
        }
        /** @var list<object{id: string, bank_id: string, difficulty: int|null, kinds: string, points: string, topics: string,
         *     standards: string}&\stdClass> $rows */
        $rows = Sql::rows(
            <<<'SQL'
            SELECT questions.id, bank_id, difficulty, kinds, points,
                (SELECT coalesce(jsonb_object_agg(topics.id, topics.title), '{}') FROM question_topics
                    JOIN topics ON topics.id = topic_id WHERE question_id = questions.id)::text AS topics,
                (SELECT coalesce(jsonb_object_agg(statements.id,
                    trim(statements.code || ' ' || left(coalesce(nullif(title, ''), text), 80))), '{}') FROM question_standards
                    JOIN statements ON statements.id = statement_id WHERE question_id = questions.id)::text AS standards
            FROM unnest(?::uuid[]) WITH ORDINALITY AS given (id, place) JOIN questions ON questions.id = given.id
            WHERE EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0) ORDER BY place
            SQL,
            ['{'.implode(',', $document->questions()).'}', $person->id],
        );
        $questions = array_map(
            fn (\stdClass $row): array => [
                'topics' => self::names($row->topics),
                'standards' => self::names($row->standards),
                'difficulty' => $row->difficulty,
                'kind' => PostgresArray::read($row->kinds)[0] ?? '',
                'points' => (string) (Exact::decimal(Exact::of($row->points)) ?? '0'),
            ],
            $rows,
        );

        return BlueprintLike::of($fresh, array_values(array_unique(array_column($rows, 'bank_id'))), $questions, $assessment->id);
    }

    /** @return array<string, string> */
    private static function names(string $json): array
    {
        $names = Json::decode($json);

        $called = [];
        foreach ($names instanceof \stdClass ? get_object_vars($names) : [] as $id => $name) {
            $called[(string) $id] = is_string($name) ? $name : '';
        }

        return $called;
    }
}
