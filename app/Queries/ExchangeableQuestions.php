<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\PostgresArray;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Demands;
use WideQuarry\Assembly\Pick;
use WideQuarry\Numbers\Exact;

/**
 * The questions that come nearest to what an entry asks, of all a person may read. Those that share a topic or a standard, and those of the
 * same kind in the same banks, are looked at; the core says which are nearest.
 *
 * @phpstan-type Row object{id: string, title: string, stem: string, kinds: string, points: string, difficulty: int|null,
 *     minutes: string|null, status: string, revision: int, bank: string, bank_name: string}&\stdClass
 */
final class ExchangeableQuestions
{
    /** As many as there are keys to take one. */
    private const SHOWN = 9;

    /** What it costs to leave the cell of the blueprint: more than any other demand. */
    private const OTHER_CELL = 100;

    /** So many are compared of each sort. */
    private const LOOKED_AT = 400;

    private const COLUMNS = <<<'SQL'
        questions.id, questions.title, questions.stem, questions.kinds, questions.points, questions.difficulty, questions.minutes,
        questions.status, questions.revision, banks.slug AS bank, banks.name AS bank_name
        SQL;

    private const USABLE = <<<'SQL'
        binned_at IS NULL AND status <> 'retired' AND is_complete AND questions.kinds <> '{}' AND NOT (questions.id = ANY (?::uuid[]))
        AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = questions.id OFFSET 0)
        SQL;

    /** @return list<array<string, mixed>> the nearest first; differs names the demands that are not met */
    public static function of(Assessment $assessment, Pick $pick, User $person): array
    {
        $asked = self::rows('questions.id = ?', [$pick->question], '{}', $person)[0] ?? null;
        if ($asked === null) {
            return [];
        }
        $taken = '{'.implode(',', $assessment->questions()).'}';
        $rows = [
            ...self::rows(
                'questions.id IN (SELECT question_id FROM question_topics WHERE topic_id IN (SELECT topic_id FROM question_topics
                    WHERE question_id = ?))',
                [$pick->question],
                $taken,
                $person,
            ),
            ...self::rows(
                'questions.id IN (SELECT question_id FROM question_standards WHERE statement_id IN (SELECT statement_id
                    FROM question_standards WHERE question_id = ?))',
                [$pick->question],
                $taken,
                $person,
            ),
            ...self::rows(
                'questions.bank_id IN (SELECT bank_id FROM questions WHERE id = ANY (?::uuid[])) AND questions.kinds = ?::text[]
                    AND questions.difficulty IS NOT DISTINCT FROM ?::smallint',
                [$taken, $asked->kinds, $asked->difficulty],
                $taken,
                $person,
            ),
        ];
        $cells = $assessment->blueprint === null ? null : BlueprintQuestions::of($assessment->blueprint, $person);
        $there = $cells?->alike($pick->question, self::LOOKED_AT) ?? [];
        if ($there !== []) {
            array_push($rows, ...self::rows('questions.id = ANY (?::uuid[])', ['{'.implode(',', $there).'}'], $taken, $person));
        }
        /** @var list<Row> $rows */
        $rows = array_values(array_column($rows, null, 'id'));
        $ids = [$asked->id, ...array_map(fn (\stdClass $row): string => $row->id, $rows)];
        [$topics, $standards] = [Topics::paths($ids), array_map(QuestionStandards::names(...), QuestionStandards::of($ids))];
        $wanted = self::demands($asked, $topics[$asked->id] ?? [], $standards[$asked->id] ?? []);
        $places = $cells?->cells($ids) ?? [];
        $near = [];
        foreach ($rows as $row) {
            $its = self::demands($row, $topics[$row->id] ?? [], $standards[$row->id] ?? []);
            $isSame = ($places[$asked->id] ?? []) === ($places[$row->id] ?? []);
            $near[] = [
                $wanted->distance($its) + ($isSame ? 0 : self::OTHER_CELL),
                $row,
                [...$isSame ? [] : ['cell'], ...$wanted->unmetBy($its)],
            ];
        }
        usort($near, fn (array $a, array $b): int => [$a[0], $a[1]->title, $a[1]->id] <=> [$b[0], $b[1]->title, $b[1]->id]);

        return array_map(
            fn (array $one): array => [
                'id' => $one[1]->id,
                'title' => $one[1]->title,
                'stem' => $one[1]->stem,
                'difficulty' => $one[1]->difficulty,
                'status' => $one[1]->status,
                'revision' => $one[1]->revision,
                'bank' => $one[1]->bank,
                'bank_name' => $one[1]->bank_name,
                'kinds' => PostgresArray::read($one[1]->kinds),
                'points' => Exact::number(Exact::of($one[1]->points)),
                'minutes' => $one[1]->minutes === null ? null : Exact::number(Exact::of($one[1]->minutes)),
                'differs' => $one[2],
            ],
            array_slice($near, 0, self::SHOWN),
        );
    }

    /**
     * @param  list<mixed>  $bound
     * @return list<Row>
     */
    private static function rows(string $where, array $bound, string $taken, User $person): array
    {
        /** @var list<Row> $rows */
        $rows = DB::select(
            'SELECT '.self::COLUMNS.' FROM questions JOIN banks ON banks.id = questions.bank_id WHERE '.$where.' AND '.self::USABLE.
            ' ORDER BY questions.id DESC LIMIT '.self::LOOKED_AT,
            [...$bound, $taken, $person->id],
        );

        return $rows;
    }

    /**
     * @param  Row  $row
     * @param  list<list<string>>  $topics
     * @param  list<string>  $standards
     */
    private static function demands(\stdClass $row, array $topics, array $standards): Demands
    {
        return new Demands(
            PostgresArray::read($row->kinds),
            $topics,
            $standards,
            $row->difficulty,
            Exact::of($row->points),
            $row->minutes === null ? null : Exact::of($row->minutes),
        );
    }
}
