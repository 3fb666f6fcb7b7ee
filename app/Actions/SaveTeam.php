<?php

declare(strict_types=1);

namespace App\Actions;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Messages\Message;

/** Makes a team, or renames it and says who is in it. */
final class SaveTeam
{
    /**
     * @param  ?string  $name  null to leave it as it is
     * @param  list<string>|null  $members  ids of people; null to leave them
     *
     * @throws Refused when the name is empty or taken, or somebody is gone
     */
    public function handle(string $team, bool $isNew, ?string $name, ?array $members, User $by): void
    {
        if ($name === '') {
            throw Refused::because('team.name', Message::of('app.actions.enter-name'), '/name');
        }
        if ($name !== null && DB::table('teams')->where('name', $name)->where('id', '<>', $team)->exists()) {
            throw Refused::because('team.exists', Message::of('app.actions.team-name-exists-already'), '/name');
        }
        $members = $members === null ? null : array_values(array_unique($members));
        if ($members !== null && DB::table('users')->whereIn('id', $members)->count() < count($members)) {
            throw Refused::because('team.gone', Message::of('app.actions.people-no-longer-there'), '/members');
        }
        DB::transaction(function () use ($team, $isNew, $name, $members, $by): void {
            if ($isNew) {
                DB::table('teams')->insert(['id' => $team, 'name' => $name]);
            } elseif ($name !== null) {
                DB::table('teams')->where('id', $team)->update(['name' => $name, 'updated_at' => now()]);
            }
            if ($members !== null) {
                self::members($team, $members, $by);
            }
        });
    }

    /** @param  list<string>  $members */
    private static function members(string $team, array $members, User $by): void
    {
        /** @var list<string> $before */
        $before = DB::table('memberships')->where('team_id', $team)->lockForUpdate()->pluck('user_id')->all();
        DB::table('memberships')->where('team_id', $team)->delete();
        DB::table('memberships')->insert(array_map(fn (string $id): array => ['team_id' => $team, 'user_id' => $id], $members));
        $called = (string) DB::table('teams')->where('id', $team)->value('name'); // @phpstan-ignore cast.string
        [$added, $removed] = [array_diff($members, $before), array_diff($before, $members)];
        foreach (User::query()->findMany([...$added, ...$removed]) as $person) {
            $key = in_array($person->id, $members, true) ? 'added-to-team' : 'removed-from-team';
            Notify::tell($person, 'team', Message::of("app.actions.$key", ['by' => $by->name, 'team' => $called]), '', '/banks');
        }
        SecurityLog::write('team_changed', $by, ['team' => $called, 'added' => count($added), 'removed' => count($removed)]);
    }
}
