<?php

declare(strict_types=1);

namespace App\Actions;

use App\Support\Refused;
use Illuminate\Support\Facades\DB;

/** Sets who may read, write and keep a bank. A bank nobody keeps could never be shared again, so that is refused. */
final class ShareBank
{
    /** @param  list<array{user_id: string|null, team_id: string|null, role: string}>  $grants */
    public function handle(string $bankId, array $grants): void
    {
        $seen = [];
        foreach ($grants as $i => $grant) {
            $who = $grant['user_id'] ?? $grant['team_id'];
            if (($grant['user_id'] === null) === ($grant['team_id'] === null) || isset($seen[$who])) {
                throw Refused::because('grant.who', 'Each line names one person or one team, and each only once.', "/grants/$i");
            }
            $seen[$who] = true;
        }
        if (array_filter($grants, fn (array $grant): bool => $grant['role'] === 'keeper') === []) {
            throw Refused::because('grant.no_keeper', 'Somebody must keep the bank.', '/grants');
        }
        $people = array_values(array_filter(array_column($grants, 'user_id')));
        $teams = array_values(array_filter(array_column($grants, 'team_id')));
        if (DB::table('users')->whereIn('id', $people)->count() < count($people) || DB::table('teams')->whereIn('id', $teams)->count() < count($teams)) {
            throw Refused::because('grant.gone', 'One of these people or teams is not there any more. Load the list again.', '/grants');
        }
        DB::transaction(function () use ($bankId, $grants): void {
            DB::table('bank_grants')->where('bank_id', $bankId)->delete();
            DB::table('bank_grants')->insert(array_map(fn (array $grant): array => [...$grant, 'bank_id' => $bankId], $grants));
            // a use counts as long as its author may read the question
            DB::update('UPDATE questions SET uses = counted_uses(id) WHERE uses <> counted_uses(id) AND id IN (SELECT question_id FROM assessment_uses JOIN questions AS used ON used.id = question_id WHERE used.bank_id = ?)', [$bankId]);
        });
    }
}
