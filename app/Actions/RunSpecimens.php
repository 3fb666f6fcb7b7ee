<?php

declare(strict_types=1);

namespace App\Actions;

use App\Indexing\QuestionIndex;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Json;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/**
 * Runs the specimens of every question of a bank that has some, in the order of their identifiers, a chunk at a time: one that was
 * interrupted goes on where it was.
 */
final readonly class RunSpecimens
{
    private const CHUNK = 100;

    public function __construct(private PartKinds $kinds)
    {
    }

    /** Begins a run, unless one goes on already. @return string its id */
    public function begin(string $bankId, ?User $person): string
    {
        $id = (string) Str::uuid7();
        $total = DB::table('questions')->where('bank_id', $bankId)->where('specimens', '>', 0)->whereNull('binned_at')->count();
        DB::table('specimen_runs')->insertOrIgnore(['id' => $id, 'bank_id' => $bankId, 'user_id' => $person?->id, 'total' => $total]);
        $running = DB::table('specimen_runs')->where('bank_id', $bankId)->where('state', 'running')->value('id');

        return is_string($running) ? $running : $id;
    }

    public function handle(string $run): void
    {
        while (($state = DB::table('specimen_runs')->where('id', $run)->first()) !== null && $state->state === 'running') {
            $rows = DB::select(
                <<<'SQL'
                SELECT questions.id, record, content, is_complete, specimens, specimens_failing FROM questions
                    JOIN revisions ON question_id = questions.id AND number = questions.revision
                WHERE bank_id = ? AND questions.specimens > 0 AND binned_at IS NULL AND questions.id > coalesce(?::uuid,
                    '00000000-0000-0000-0000-000000000000') ORDER BY questions.id LIMIT ?
                SQL,
                [$state->bank_id, $state->last, self::CHUNK],
            );
            if ($state->user_id !== null && User::query()->whereKey($state->user_id)->first()?->canEdit($state->bank_id) !== true) {
                DB::table('specimen_runs')
                    ->where('id', $run)
                    ->where('state', 'running')
                    ->update(['state' => 'stopped', 'finished_at' => now()]);

                return;
            }
            if ($rows === []) {
                DB::table('specimen_runs')
                    ->where('id', $run)
                    ->where('state', 'running')
                    ->update(['state' => 'done', 'finished_at' => now()]);

                return;
            }
            DB::transaction(fn () => $this->chunk($run, $rows));
        }
    }

    /** @param  array<\stdClass>  $rows */
    private function chunk(string $run, array $rows): void
    {
        [$specimens, $failing, $changed] = [0, 0, 0];
        foreach ($rows as $row) {
            $json = Json::decode($row->content);
            assert($json instanceof \stdClass);
            $json->record = Json::decode($row->record);
            $judged = QuestionIndex::judged(Question::read($json, $this->kinds));
            $specimens += $judged['specimens'];
            $failing += $judged['specimens_failing'] > 0 ? 1 : 0;
            if (
                $judged !== [
                    'is_complete' => $row->is_complete,
                    'specimens' => $row->specimens,
                    'specimens_failing' => $row->specimens_failing,
                ]
            ) {
                // unless somebody has saved it meanwhile: then that judged it
                $changed += DB::update(
                    <<<'SQL'
                        UPDATE questions SET is_complete = ?, specimens = ?, specimens_failing = ?
                            WHERE id = ? AND record = ?::jsonb AND revision = (SELECT max(number) FROM revisions
                            WHERE question_id = questions.id AND content = ?::jsonb)
                        SQL,
                    [...array_values($judged), $row->id, $row->record, $row->content],
                );
            }
        }
        $last = $rows[count($rows) - 1] ?? null;
        DB::update(
            <<<'SQL'
                UPDATE specimen_runs SET done = done + ?, specimens = specimens + ?, failing = failing + ?, changed = changed + ?,
                    last = ? WHERE id = ?
                SQL,
            [count($rows), $specimens, $failing, $changed, $last?->id, $run],
        );
    }
}
