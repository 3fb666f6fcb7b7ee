<?php

declare(strict_types=1);

namespace App\Actions\Standards;

use App\Models\User;
use App\Search\Conditions;
use App\Search\QuestionFilter;
use App\Search\Scope;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/** Hands out questions of a bank that are not classified in a tree yet, different ones to each person who asks. */
final class HandOut
{
    private const HELD = '4 minutes';

    /**
     * @param  string|null  $framework  null for the topics
     * @param  list<string>  $past  questions that were skipped
     * @return array{questions: list<string>, left: int, elsewhere: int} left: all that are not classified; elsewhere: those of them that
     *     others are at
     */
    public function next(string $bank, ?string $framework, QuestionFilter $filter, array $past, int $take, User $person): array
    {
        DB::delete('DELETE FROM tagging_claims WHERE until < now()');
        $open = self::open($bank, $framework, $filter);
        $left = (clone $open)->count();
        $held = (clone $open)
            ->join('tagging_claims', 'tagging_claims.question_id', '=', 'questions.id')
            ->where('tagging_claims.user_id', '<>', $person->id)
            ->count();
        /** @var list<string> $candidates */
        $candidates = (clone $open)
            ->whereRaw('questions.id <> ALL (?::uuid[])', ['{'.implode(',', $past).'}'])
            ->whereRaw('NOT EXISTS (SELECT 1 FROM tagging_claims AS claim WHERE claim.question_id = questions.id AND claim.user_id <> ?)', [
                $person->id,
            ])
            ->orderBy('questions.created_at')
            ->orderBy('questions.id')
            ->limit($take)
            ->pluck('questions.id')
            ->all();
        /** @var list<object{question_id: string}&\stdClass> $claimed */
        $claimed = DB::select(
            <<<'SQL'
                INSERT INTO tagging_claims (question_id, user_id, until)
                SELECT id::uuid, ?, now() + ?::interval FROM unnest(?::uuid[]) AS one (id)
                ON CONFLICT (question_id) DO UPDATE SET until = excluded.until, user_id = excluded.user_id
                    WHERE tagging_claims.user_id = excluded.user_id OR tagging_claims.until < now()
                RETURNING question_id
                SQL,
            [$person->id, self::HELD, '{'.implode(',', $candidates).'}'],
        );
        $mine = array_column($claimed, 'question_id');

        return [
            'questions' => array_values(array_filter($candidates, fn (string $id): bool => in_array($id, $mine, true))),
            'left' => $left,
            'elsewhere' => $held,
        ];
    }

    /** @param  string|null  $framework  null for the topics */
    private static function open(string $bank, ?string $framework, QuestionFilter $filter): Builder
    {
        $none = $framework === null
            ? ['NOT EXISTS (SELECT 1 FROM question_topics WHERE question_topics.question_id = questions.id)', []]
            : [
                <<<'SQL'
                    NOT EXISTS (SELECT 1 FROM question_standards JOIN statements ON statements.id = statement_id
                        WHERE question_standards.question_id = questions.id AND statements.framework_id = ?)
                    SQL,
                [$framework],
            ];

        return Conditions::on(Scope::bank($bank), $filter)->where('questions.bank_id', $bank)->whereRaw(...$none);
    }
}
