<?php

declare(strict_types=1);

namespace App\Queries;

use App\Infrastructure\Sql;
use App\Infrastructure\WorkLock;
use App\Jobs\ChangeMany;
use App\Jobs\RunAllSpecimens;
use App\Jobs\WorkOnIntake;
use App\Jobs\WriteOut;
use App\Models\Intake;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Work in the background that failed: whose it is to see, and how it is begun again. */
final class FailedWork
{
    /**
     * @return list<array{kind: string, id: string, title: string, person: string|null, bank: string|null, problem: string|null, at: string}> the newest first
     */
    public static function of(User $person): array
    {
        $rows = Sql::rows(
            <<<'SQL'
            SELECT failed.kind, failed.id, CASE WHEN failed.user_id = ? OR mine.role = 'keeper' THEN failed.title
                ELSE '' END AS title, users.name AS person,
                CASE WHEN mine.role IS NOT NULL THEN banks.name END AS bank, failed.at,
                -- a reason may name files and entries
                CASE WHEN failed.user_id = ? OR mine.role = 'keeper' THEN failed.problem
                    ELSE 'Only whoever began it sees the reason.' END AS problem
            FROM (
                SELECT 'intake' AS kind, id, title, user_id, bank_id, problem, updated_at AS at FROM intakes
                    -- a file that cannot be read is no failed work: trying again would not help
                    WHERE (state = 'failed' AND NOT EXISTS (SELECT 1 FROM intake_files
                        WHERE intake_id = intakes.id AND intake_files.state = 'failed'))
                        OR (state IN ('committing', 'undoing') AND problem IS NOT NULL)
                UNION ALL SELECT 'dispatch', id, title, user_id, bank_id, problem, updated_at FROM dispatches WHERE state = 'failed'
                UNION ALL SELECT 'act', id, '', user_id, bank_id, NULL, coalesce(finished_at, created_at) FROM bulk_operations
                    WHERE state = 'failed' AND what IS NOT NULL
                UNION ALL SELECT 'specimens', id, '', user_id, bank_id, NULL, coalesce(finished_at, created_at) FROM specimen_runs
                    WHERE state = 'failed'
            ) AS failed LEFT JOIN bank_roles(?) AS mine ON mine.bank_id = failed.bank_id LEFT JOIN banks ON banks.id = failed.bank_id
                LEFT JOIN users ON users.id = failed.user_id
            WHERE failed.user_id = ? OR mine.role = 'keeper' OR ? ORDER BY failed.at DESC LIMIT 200
            SQL,
            [$person->id, $person->id, $person->id, $person->id, $person->is_administrator],
        );

        return array_map(get_object_vars(...), $rows); // @phpstan-ignore return.type (its columns)
    }

    /** @return bool false when it has not failed */
    public static function again(string $kind, string $id): bool
    {
        return match ($kind) {
            'intake' => self::intake($id),
            'dispatch' => DB::table('dispatches')
                ->where('id', $id)
                ->where('state', 'failed')
                ->update(['state' => 'writing', 'problem' => null]) === 1 && self::begin($id, WriteOut::class, 'dispatches'),
            'act' => self::act($id),
            'specimens' => DB::table('specimen_runs')
                ->where('id', $id)
                ->where('state', 'failed')
                ->update(['state' => 'running', 'finished_at' => null]) === 1 &&
                self::begin($id, RunAllSpecimens::class, 'specimen_runs'),
            default => false,
        };
    }

    private static function intake(string $id): bool
    {
        $intake = Intake::query()->find($id);
        if ($intake === null) {
            return false;
        }
        $isRead =
            $intake->state === 'failed' &&
            DB::transaction(function () use ($id): bool {
                DB::table('intake_files')
                    ->where('intake_id', $id)
                    ->where('state', 'failed')
                    ->update(['state' => 'waiting', 'problem' => null]);

                return Intake::query()
                    ->whereKey($id)
                    ->where('state', 'failed')
                    ->update(['state' => 'reading', 'problem' => null, 'stop_asked' => false]) === 1;
            });
        if (
            ! $isRead &&
            Intake::query()
                ->whereKey($id)
                ->whereIn('state', ['committing', 'undoing'])
                ->whereNotNull('problem')
                ->update(['problem' => null]) === 0
        ) {
            return false;
        }
        WorkLock::again($id);
        WorkOnIntake::begin($intake->refresh());

        return true;
    }

    private static function act(string $id): bool
    {
        if (
            DB::table('bulk_operations')
                ->where('id', $id)
                ->where('state', 'failed')
                ->whereNotNull('what')
                ->update(['state' => 'waiting', 'finished_at' => null]) !== 1
        ) {
            return false;
        }
        $act = DB::table('bulk_operations')->where('id', $id)->first();
        WorkLock::again($id);
        ChangeMany::dispatch($id, $act?->user_id);

        return true;
    }

    /** @param  class-string<WriteOut>|class-string<RunAllSpecimens>  $job */
    private static function begin(string $id, string $job, string $table): bool
    {
        WorkLock::again($id);
        $person = DB::table($table)->where('id', $id)->value('user_id');
        $job::dispatch($id, is_string($person) ? $person : null);

        return true;
    }
}
