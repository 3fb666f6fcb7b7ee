<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Notify;
use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Teams, for administrators: banks are shared with a team, so who is in it may read them. */
final class TeamController
{
    #[Operation('All teams with their members', response: ['data' => 'Team[]'])]
    public function index(): JsonResponse
    {
        $rows = DB::select(
            <<<'SQL'
            SELECT teams.id, teams.name, (SELECT count(*) FROM bank_grants WHERE team_id = teams.id) AS banks,
                (SELECT coalesce(jsonb_agg(jsonb_build_object('id', users.id, 'name', users.name) ORDER BY users.name), '[]')
                    FROM memberships JOIN users ON users.id = user_id WHERE team_id = teams.id) AS members
            FROM teams ORDER BY teams.name COLLATE by_name LIMIT 1000
            SQL,
        );

        return new JsonResponse([
            'data' => array_map(fn (\stdClass $row): array => [...(array) $row, 'members' => json_decode($row->members)], $rows),
        ]);
    }

    #[Operation('Create a team', response: ['data' => 'Created'], body: ['name' => 'string', 'members' => 'uuid[]?'], status: 201)]
    public function store(Request $request): JsonResponse
    {
        $id = (string) Str::uuid7();
        $this->save($request, $id, true);

        return new JsonResponse(['data' => ['id' => $id]], 201);
    }

    #[Operation('Rename a team, or say who is in it', body: ['name' => 'string?', 'members' => 'uuid[]?'], status: 204)]
    public function update(Request $request, string $team): Response
    {
        if (! DB::table('teams')->where('id', $team)->exists()) {
            abort(404);
        }
        $this->save($request, $team, false);

        return new Response('', 204);
    }

    #[Operation('Delete a team; its members lose what was shared with it', status: 204)]
    public function destroy(Request $request, string $team): Response
    {
        $name = DB::table('teams')->where('id', $team)->value('name') ?? abort(404);
        if (DB::table('topics')->where('team_id', $team)->exists()) {
            throw Refused::because(
                'team.topics',
                Message::of('app.http.controllers.banks-team-share-topics'),
            );
        }
        DB::table('teams')->where('id', $team)->delete();
        SecurityLog::write('team_deleted', User::asking($request), ['team' => $name]);

        return new Response('', 204);
    }

    private function save(Request $request, string $team, bool $isNew): void
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'members']);
        if ($isNew) {
            $fields->need('name');
        }
        $by = User::asking($request);
        $name = trim($fields->string('name', '', 100));
        if (($isNew || $fields->has('name')) && $name === '') {
            throw Refused::because('team.name', Message::of('app.http.controllers.enter-name'), '/name');
        }
        if ($name !== '' && DB::table('teams')->where('name', $name)->where('id', '<>', $team)->exists()) {
            throw Refused::because('team.exists', Message::of('app.http.controllers.team-name-exists-already'), '/name');
        }
        $members = [];
        foreach ($fields->list('members', 2000) as $i => $id) {
            $members[] = Fields::asUuid($id, "/members/$i");
        }
        if (DB::table('users')->whereIn('id', $members)->count() < count(array_unique($members))) {
            throw Refused::because('team.gone', Message::of('app.http.controllers.one-these-people-longer'), '/members');
        }
        DB::transaction(function () use ($team, $isNew, $name, $fields, $members, $by): void {
            if ($isNew) {
                DB::table('teams')->insert(['id' => $team, 'name' => $name]);
            } elseif ($name !== '') {
                DB::table('teams')
                    ->where('id', $team)
                    ->update(['name' => $name, 'updated_at' => now()]);
            }
            if (! $fields->has('members')) {
                return;
            }
            $before = DB::table('memberships')->where('team_id', $team)->lockForUpdate()->pluck('user_id')->all();
            DB::table('memberships')->where('team_id', $team)->delete();
            DB::table('memberships')->insert(
                array_map(fn (string $id): array => ['team_id' => $team, 'user_id' => $id], array_values(array_unique($members))),
            );
            $called = DB::table('teams')->where('id', $team)->value('name');
            foreach (User::query()->findMany([...array_diff($members, $before), ...array_diff($before, $members)]) as $person) {
                Notify::tell(
                    $person,
                    'team',
                    Message::of(
                        in_array($person->id, $members, true)
                            ? 'app.http.controllers.added-to-team'
                            : 'app.http.controllers.removed-from-team',
                        ['by' => $by->name, 'team' => is_string($called) ? $called : ''],
                    ),
                    '',
                    '/banks',
                );
            }
            SecurityLog::write('team_changed', $by, [
                'team' => $called,
                'added' => count(array_diff($members, $before)),
                'removed' => count(array_diff($before, $members)),
            ]);
        });
    }
}
