<?php

declare(strict_types=1);

namespace App\Actions;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;
use WideQuarry\Sharing\Role;
use WideQuarry\Sharing\Sharing;

/** Sets who may read, write and keep a bank. A bank nobody keeps could never be shared again, so that is refused. */
final class ShareBank
{
    /**
     * @param  list<array{user_id: string|null, team_id: string|null, role: string}>  $grants
     * @param  User|null  $by  who shares it; those whose rights change are told so
     * @param  string  $words  what they write to them
     */
    public function handle(string $bankId, array $grants, ?User $by = null, string $words = ''): void
    {
        $seen = [];
        foreach ($grants as $i => $grant) {
            $who = $grant['user_id'] ?? $grant['team_id'];
            if (($grant['user_id'] === null) === ($grant['team_id'] === null) || isset($seen[$who])) {
                throw Refused::because('grant.who', Message::of('app.actions.each-line-names-one'), "/grants/$i");
            }
            $seen[$who] = true;
        }
        if (! Sharing::hasManager(array_map(fn (array $grant): Role => Role::from($grant['role']), $grants))) {
            throw Refused::because('grant.no_keeper', Message::of('app.actions.somebody-must-able-manage'), '/grants');
        }
        $people = array_values(array_filter(array_column($grants, 'user_id')));
        $teams = array_values(array_filter(array_column($grants, 'team_id')));
        if (
            DB::table('users')->whereIn('id', $people)->count() < count($people) ||
            DB::table('teams')->whereIn('id', $teams)->count() < count($teams)
        ) {
            throw Refused::because('grant.gone', Message::of('app.actions.people-or-teams-no-longer-there'), '/grants');
        }
        DB::transaction(function () use ($bankId, $grants, $by, $words): void {
            $before = $this->roles($bankId);
            DB::table('bank_grants')->where('bank_id', $bankId)->delete();
            DB::table('bank_grants')->insert(array_map(fn (array $grant): array => [...$grant, 'bank_id' => $bankId], $grants));
            if ($by !== null) {
                $this->tell($bankId, $before, $by, $words);
            }
            // a use counts as long as its author may read the question
            DB::update(
                <<<'SQL'
                    UPDATE questions SET uses = counted_uses(id) WHERE uses <> counted_uses(id) AND id IN (SELECT question_id
                        FROM assessment_uses JOIN questions AS used ON used.id = question_id WHERE used.bank_id = ?)
                    SQL,
                [$bankId],
            );
        });
    }

    /** @return array<string, string> person → what they may do, by themselves or in a team */
    private function roles(string $bankId): array
    {
        /** @var array<string, string> */
        return array_column(
            DB::select(
                <<<'SQL'
                SELECT coalesce(bank_grants.user_id, memberships.user_id) AS person, max(role) AS role
                FROM bank_grants LEFT JOIN memberships ON memberships.team_id = bank_grants.team_id WHERE bank_id = ? GROUP BY 1
                    HAVING coalesce(bank_grants.user_id, memberships.user_id) IS NOT NULL
                SQL,
                [$bankId],
            ),
            'role',
            'person',
        );
    }

    /** @param  array<string, string>  $before */
    private function tell(string $bankId, array $before, User $by, string $words): void
    {
        /** @var (object{slug: string, name: string}&\stdClass)|null $bank */
        $bank = DB::table('banks')
            ->where('id', $bankId)
            ->first(['slug', 'name']);
        $after = $this->roles($bankId);
        SecurityLog::write('grants_changed', $by, ['bank' => $bank?->slug, 'before' => $before, 'after' => $after]);
        foreach (User::query()->findMany(array_diff(array_keys([...$before, ...$after]), [$by->id])) as $person) {
            [$old, $new] = [$before[$person->id] ?? null, $after[$person->id] ?? null];
            $text = match (true) {
                $old === $new => null,
                $new === null => Message::of('app.actions.stopped-sharing-bank-you', ['name' => $by->name, 'bank' => $bank?->name]),
                $old === null => Message::of('app.actions.shared-bank-you-you', [
                    'name' => $by->name,
                    'bank' => $bank?->name,
                    'may' => Role::from($new)->label(),
                ]),
                default => Message::of('app.actions.changed-you-may-do', [
                    'name' => $by->name,
                    'bank' => $bank?->name,
                    'may' => Role::from($new)->label(),
                ]),
            };
            if ($text !== null) {
                Notify::tell($person, 'share', $text, $words, $new === null ? '' : "/banks/{$bank?->slug}");
            }
        }
    }
}
