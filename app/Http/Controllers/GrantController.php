<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ShareBank;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Queries\HiddenUses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Who may read, write and keep a bank. */
final class GrantController
{
    #[Operation('Who has which right to a bank', response: ['data' => 'Grant[]', 'hidden' => 'HiddenUse[]'])]
    public function index(Bank $bank): JsonResponse
    {
        Gate::authorize('keep', $bank);
        $rows = DB::table('bank_grants')
            ->leftJoin('users', 'users.id', '=', 'bank_grants.user_id')
            ->leftJoin('teams', 'teams.id', '=', 'bank_grants.team_id')
            ->where('bank_id', $bank->id)
            ->orderByRaw('role DESC, coalesce(users.name, teams.name) COLLATE by_name')
            ->get(['user_id AS person', 'bank_grants.team_id AS team', DB::raw('coalesce(users.name, teams.name) AS name'), 'role']);

        return new JsonResponse(['data' => $rows, 'hidden' => HiddenUses::of($bank->id)]);
    }

    #[Operation(
        'Set all rights to a bank at once; somebody must keep it',
        response: ['data' => 'Grant[]', 'hidden' => 'HiddenUse[]'],
        body: ['grants' => 'object[]', 'words' => 'string?'],
    )]
    public function update(Request $request, Bank $bank, ShareBank $share): JsonResponse
    {
        Gate::authorize('keep', $bank);
        $grants = [];
        $fields = Fields::of(Json::decode($request->getContent()), '', ['grants', 'words']);
        foreach ($fields->list('grants', 500) as $i => $grant) {
            $grant = Fields::of($grant, "/grants/$i", ['person', 'team', 'role']);
            $grants[] = [
                'user_id' => $grant->raw('person') === null ? null : $grant->uuid('person'),
                'team_id' => $grant->raw('team') === null ? null : $grant->uuid('team'),
                'role' => $grant->oneOf('role', ['reader', 'writer', 'keeper'], ''),
            ];
        }
        $share->handle($bank->id, $grants, User::asking($request), $fields->string('words', '', 1000));

        return $this->index($bank);
    }

    #[Operation('People and teams a bank can be shared with', response: ['people' => 'NamedThing[]', 'teams' => 'NamedThing[]'])]
    public function people(): JsonResponse
    {
        return new JsonResponse([
            'people' => DB::table('users')
                ->whereNull('disabled_at')
                ->orderByRaw('name COLLATE by_name')
                ->limit(2000)
                ->get(['id', 'name']),
            'teams' => DB::table('teams')
                ->orderByRaw('name COLLATE by_name')
                ->limit(500)
                ->get(['id', 'name']),
        ]);
    }
}
