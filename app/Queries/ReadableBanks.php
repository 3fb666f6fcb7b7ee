<?php

declare(strict_types=1);

namespace App\Queries;

use App\Models\Bank;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** The banks a person may read. */
final class ReadableBanks
{
    /** @return Builder<Bank> one query, with counts by status and who else reads them */
    public static function of(User $user): Builder
    {
        $query = Bank::query()->withCasts(['shared_with' => 'array', 'keepers' => 'array']);
        $query
            ->joinSub(
                DB::query()
                    ->selectRaw('bank_id, role AS my_role')
                    ->fromRaw('bank_roles(?)', [$user->id]),
                'mine',
                'mine.bank_id',
                '=',
                'banks.id',
            )
            ->select(['banks.*', 'mine.my_role'])
            ->selectRaw('(SELECT count(*) FROM questions WHERE questions.bank_id = banks.id AND binned_at IS NULL) AS question_count')
            ->selectRaw(
                <<<'SQL'
                    (SELECT jsonb_object_agg(status, times) FROM (SELECT status, count(*) AS times FROM questions
                        WHERE questions.bank_id = banks.id AND binned_at IS NULL GROUP BY status) AS counted) AS strata
                    SQL,
            )
            ->selectRaw(
                <<<'SQL'
                    (SELECT array_to_json(array_agg(users.name ORDER BY users.name)) FROM bank_grants
                        JOIN users ON users.id = bank_grants.user_id
                        WHERE bank_grants.bank_id = banks.id AND bank_grants.role = 'keeper') AS keepers
                    SQL,
            )
            ->selectRaw(
                <<<'SQL'
                    (SELECT coalesce(jsonb_agg(teams.name ORDER BY teams.name), '[]') FROM bank_grants
                        JOIN teams ON teams.id = bank_grants.team_id WHERE bank_grants.bank_id = banks.id) AS shared_with
                    SQL,
            );

        return $query;
    }
}
