<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SecurityLog;
use App\Actions\SaveTeam;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\Teams;
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
    public function __construct(private readonly SaveTeam $save)
    {
    }

    #[Operation('All teams with their members', response: ['data' => 'Team[]'])]
    public function index(): JsonResponse
    {
        return new JsonResponse(['data' => Teams::all()]);
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
        $members = [];
        foreach ($fields->list('members', 2000) as $i => $id) {
            $members[] = Fields::asUuid($id, "/members/$i");
        }
        $this->save->handle(
            $team,
            $isNew,
            $fields->has('name') ? trim($fields->string('name', '', 100)) : null,
            $fields->has('members') ? $members : null,
            User::asking($request),
        );
    }
}
