<?php

declare(strict_types=1);

namespace App\Actions;

use App\Infrastructure\Sql;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Checks the questions of a bank that have specimens or values that vary: runs the ones, studies the others. In the order of their
 * identifiers, a chunk at a time: a run that was interrupted goes on where it was.
 */
final readonly class RunSpecimens
{
    private const CHUNK = 100;

    public function __construct(private JudgeQuestion $judge)
    {
    }

    /** Begins a run, unless one goes on already. @return string its id */
    public function begin(string $bankId, ?User $person): string
    {
        $id = (string) Str::uuid7();
        $total = DB::table('questions')->where('bank_id', $bankId)->whereNull('binned_at')
            ->whereRaw('(specimens > 0 OR has_variables)')->count();
        DB::table('specimen_runs')->insertOrIgnore(['id' => $id, 'bank_id' => $bankId, 'user_id' => $person?->id, 'total' => $total]);
        $running = DB::table('specimen_runs')->where('bank_id', $bankId)->where('state', 'running')->value('id');

        return is_string($running) ? $running : $id;
    }

    public function handle(string $run): void
    {
        while (($state = DB::table('specimen_runs')->where('id', $run)->first()) !== null && $state->state === 'running') {
            $rows = Sql::rows(
                'SELECT '.JudgeQuestion::COLUMNS.<<<'SQL'
                     FROM questions JOIN revisions ON question_id = questions.id AND number = questions.revision
                WHERE bank_id = ? AND (questions.specimens > 0 OR has_variables) AND binned_at IS NULL AND questions.id > coalesce(?::uuid,
                    '00000000-0000-0000-0000-000000000000') ORDER BY questions.id LIMIT ?
                SQL,
                [$state->bank_id, $state->last, self::CHUNK],
            );
            $bank = is_string($state->bank_id) ? $state->bank_id : '';
            if ($state->user_id !== null && User::query()->whereKey($state->user_id)->first()?->canEdit($bank) !== true) {
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
        $sum = ['specimens' => 0, 'failing' => 0, 'varies' => 0, 'bad' => 0, 'changed' => 0];
        foreach ($rows as $row) {
            foreach ($this->judge->handle($row) as $name => $found) {
                $sum[$name] += (int) $found;
            }
        }
        $last = $rows[count($rows) - 1] ?? null;
        DB::update(
            <<<'SQL'
                UPDATE specimen_runs SET done = done + ?, specimens = specimens + ?, failing = failing + ?, varying = varying + ?,
                    bad = bad + ?, changed = changed + ?, last = ? WHERE id = ?
                SQL,
            [count($rows), ...array_values($sum), $last?->id, $run],
        );
    }
}
