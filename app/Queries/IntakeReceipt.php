<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Models\Bank;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;

/** What was given against what came of it, counted from what is stored, so that it is the same whenever it is written. */
final class IntakeReceipt
{
    /** @param  'intake'|'undo'  $kind */
    public static function write(string $kind, Intake $intake, User $person, Bank $bank, string $act): void
    {
        $body = [
            'bank' => ['slug' => $bank->slug, 'name' => $bank->name],
            'folder' => $intake->folderPath(),
            ...self::source($intake),
            'result' => self::result($intake),
        ];
        if ($kind === 'undo') {
            $body['taken_back'] = self::takenBack($intake, (object) $body['result']);
            $body['left'] = self::left($intake);
        }
        $stated = $kind === 'intake' ? SourceQuestions::stated($intake) : [];
        if ($stated !== []) {
            $body['migration'] = ['pattern' => $intake->pattern, ...self::tallied($intake)];
        }
        $id = (string) Str::uuid7();
        $isNew = DB::table('receipts')->insertOrIgnore([
            'id' => $id,
            'kind' => $kind,
            'intake_id' => $intake->id,
            'user_id' => $person->id,
            'bank_id' => $bank->id,
            'operation_id' => $act,
            'title' => $intake->title,
            'body' => Json::encode($body),
        ]);
        foreach ($isNew > 0 ? $stated : [] as $number => $statement) {
            if (! $statement->isKnown) {
                DB::table('assumptions')->insert(['receipt_id' => $id, 'number' => $number, 'statement' => Json::encode($statement)]);
            }
        }
    }

    /**
     * @param  \stdClass  $now  what is left of it
     * @return array{added: int, replaced: int} how many less than when it was brought in
     */
    private static function takenBack(Intake $intake, \stdClass $now): array
    {
        $committed = DB::table('receipts')->where('operation_id', $intake->operation_id)->value('body');
        $receipt = is_string($committed) ? Json::decode($committed) : null;
        $before = $receipt instanceof \stdClass && $receipt->result instanceof \stdClass ? $receipt->result : new \stdClass;
        $count = fn (\stdClass $of, string $name): int => is_int($of->{$name} ?? null) ? $of->{$name} : 0;

        return [
            'added' => $count($before, 'added') - $count($now, 'added'),
            'replaced' => $count($before, 'replaced') - $count($now, 'replaced'),
        ];
    }

    /** @return array{lines: list<\WideQuarry\Migration\TallyLine>, quizzes: list<\WideQuarry\Migration\TalliedQuiz>} */
    private static function tallied(Intake $intake): array
    {
        $tally = SourceQuestions::tally($intake);

        return ['lines' => $tally->lines, 'quizzes' => $tally->quizzes];
    }

    /** @return array<string, mixed> */
    private static function source(Intake $intake): array
    {
        $files = DB::table('intake_files')
            ->where('intake_id', $intake->id)
            ->orderBy('position')
            ->selectRaw(
                'name, format, sha256, bytes, problem, (SELECT count(*) FROM staged_questions WHERE file_id = intake_files.id) AS '.
                    'questions',
            )
            ->get();
        $things = DB::table('staged_things')
            ->where('intake_id', $intake->id)
            ->selectRaw("type || coalesce(':' || (value->>'severity'), '') AS what, count(*) AS times")
            ->groupBy('what')
            ->pluck('times', 'what');

        return [
            'files' => $files->all(),
            'source' => self::counted(DB::table('staged_questions')->where('intake_id', $intake->id)),
            'stimuli' => $things['stimulus'] ?? 0,
            'media' => $things['medium'] ?? 0,
            'groups' => $things['group'] ?? 0,
            'assessments' => $things['assessment'] ?? 0,
            'draws' => self::count(
                <<<'SQL'
                    SELECT count(*) FROM staged_things, jsonb_path_query(value, '$.sections[*].entries[*].draw')
                        WHERE intake_id = ? AND type = 'assessment'
                    SQL,
                [$intake->id],
            ),
            'paragraphs' => self::paragraphs($intake),
            'losses' => self::losses($intake),
            'notices' => [
                'note' => $things['notice:note'] ?? 0,
                'loss' => $things['notice:loss'] ?? 0,
                'problem' => $things['notice:problem'] ?? 0,
            ],
        ];
    }

    /** @return array{all: int, unused: int} of typed documents: how many there are, and how many went nowhere */
    private static function paragraphs(Intake $intake): array
    {
        /** @var object{all: int, unused: int}&\stdClass $row */
        $row = DB::selectOne(
            <<<'SQL'
            SELECT count(*) AS all, count(*) FILTER (WHERE one->>'is' = 'unused') AS unused
            FROM staged_things, jsonb_array_elements(value->'lines') AS one WHERE intake_id = ? AND type = 'document'
            SQL,
            [$intake->id],
        );

        return ['all' => $row->all, 'unused' => $row->unused];
    }

    /**
     * Losses and problems of an import, each with the name of its question.
     *
     * @return list<array{severity: string, code: string, message: string, title: string|null, question: string|null}>
     */
    private static function losses(Intake $intake): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            SELECT value->>'severity' AS severity, value->>'code' AS code, value->>'message' AS message, staged.title,
                staged.question_id AS question
            FROM staged_things AS things LEFT JOIN LATERAL (
                SELECT title, question_id FROM staged_questions WHERE intake_id = things.intake_id AND source_id = things.question
                    LIMIT 1) AS staged ON true
            WHERE things.intake_id = ? AND type = 'notice' AND value->>'severity' <> 'note' ORDER BY things.file_id, things.position
                LIMIT 1000
            SQL,
            [$intake->id],
        );

        return array_map(get_object_vars(...), $rows); // @phpstan-ignore return.type (its columns)
    }

    /** @return array<string, mixed> */
    private static function result(Intake $intake): array
    {
        $outcomes = DB::table('staged_questions')
            ->where('intake_id', $intake->id)
            ->whereNotNull('outcome')
            ->selectRaw('outcome, count(*) AS times')
            ->groupBy('outcome')
            ->pluck('times', 'outcome');

        return [
            'added' => $outcomes['added'] ?? 0,
            'replaced' => $outcomes['replaced'] ?? 0,
            'skipped' => $outcomes['skipped'] ?? 0,
            'assessments' => count(self::made($intake, 'assessments')),
            'folders' => count(self::made($intake, 'folders')),
            'draws' => self::count(
                "SELECT count(*) FROM assessments, jsonb_path_query(content, '$.sections[*].entries[*].draw') WHERE id = ANY (?::uuid[])",
                ['{'.implode(',', self::made($intake, 'assessments')).'}'],
            ),
            'skipped_in_review' => DB::table('staged_questions')
                ->where('intake_id', $intake->id)
                ->where('outcome', 'skipped')
                ->where('skipped', true)
                ->count(),
            ...self::counted(
                DB::table('staged_questions')
                    ->where('intake_id', $intake->id)
                    ->whereIn('outcome', ['added', 'replaced']),
            ),
        ];
    }

    /** @return array{questions: int, points: string, kinds: \stdClass} */
    private static function counted(\Illuminate\Database\Query\Builder $rows): array
    {
        $kinds = (clone $rows)
            ->selectRaw("array_to_string(kinds, '+') AS kind, count(*) AS times")
            ->groupBy('kind')
            ->orderBy('kind')
            ->pluck('times', 'kind')
            ->all();

        return [
            'questions' => (clone $rows)->count(),
            'points' => rtrim(rtrim(self::text((clone $rows)->sum('points')), '0'), '.') ?: '0',
            'kinds' => (object) $kinds,
        ];
    }

    /** @return list<array{id: string, title: string, why: string}> */
    private static function left(Intake $intake): array
    {
        $left = [];
        foreach (ChangesSinceImport::rows($intake->id, (string) $intake->operation_id, 0, 1_000_000) as $row) {
            if ($row->outcome !== 'skipped' && $row->question_id !== null) {
                $left[] = ['id' => $row->question_id, 'title' => $row->title, 'why' => $row->why ?? ''];
            }
        }

        return $left;
    }

    /** @return list<string> identifiers of what an intake made beside questions */
    private static function made(Intake $intake, string $what): array
    {
        $made = $intake->made()->{$what} ?? null;

        return is_array($made) ? array_values(array_filter($made, is_string(...))) : [];
    }

    /** @param  list<mixed>  $values */
    private static function count(string $sql, array $values): int
    {
        $count = DB::scalar($sql, $values);

        return is_int($count) ? $count : 0;
    }

    private static function text(mixed $sum): string
    {
        return is_scalar($sum) ? (string) $sum : '0';
    }
}
