<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Search\QuestionFilter;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Searches of a bank that were given a name: one's own, and those shared with its readers. */
final class SavedSearchController
{
    private const MOST = 200;

    #[Operation('The searches of a bank one has kept, and those shared with its readers', response: ['data' => 'SavedSearch[]'])]
    public function index(Request $request, Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);
        $me = User::asking($request);
        $rows = DB::table('saved_searches')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('bank_id', $bank->id)
            ->where(fn (Builder $either) => $either->where('shared', true)->orWhere('user_id', $me->id))
            ->orderBy('saved_searches.name')
            ->get(['saved_searches.id', 'saved_searches.name', 'filter', 'shared', 'user_id', 'users.name AS person']);
        $keeps = $me->roleIn($bank->id)?->canManage() === true;

        return new JsonResponse([
            'data' => $rows
                ->map(
                    fn (\stdClass $row): array => [
                        'id' => $row->id,
                        'name' => $row->name,
                        'filter' => $row->filter,
                        'shared' => $row->shared,
                        'person' => $row->user_id === $me->id ? null : $row->person,
                        'may_remove' => $row->user_id === $me->id || $keeps,
                    ],
                )
                ->all(),
        ]);
    }

    #[Operation(
        'Keep a search of a bank under a name; sharing it needs a writer',
        response: 'Created',
        body: ['name' => 'string', 'filter' => 'string', 'shared' => 'boolean?'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);
        $me = User::asking($request);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'filter', 'shared'])
            ->need('name')
            ->need('filter');
        [$name, $filter, $shared] = [
            trim($fields->string('name', '', 200)),
            $fields->string('filter', '', 20_000),
            $fields->bool('shared', false),
        ];
        if ($shared) {
            Gate::authorize('write', $bank);
        }
        if ($name === '' || QuestionFilter::fromQuery($filter)->isEmpty()) {
            throw $name === ''
                ? Refused::because('search.no_name', Message::of('app.http.controllers.needs-name'), '/name')
                : Refused::because('search.empty', Message::of('app.http.controllers.no-condition-to-keep'), '/filter');
        }
        if (DB::table('saved_searches')->where('bank_id', $bank->id)->where('user_id', $me->id)->count() >= self::MOST) {
            return Problems::json(422, 'search.too_many', Message::of('app.http.controllers.them-already-throw-one', [
                'most' => self::MOST,
            ]));
        }
        $id = (string) Str::uuid7();
        DB::table('saved_searches')->insert([
            'id' => $id,
            'bank_id' => $bank->id,
            'user_id' => $me->id,
            'shared' => $shared,
            'name' => $name,
            'filter' => $filter,
        ]);

        return new JsonResponse(['id' => $id], 201);
    }

    #[Operation('Throw a search away; a shared one also by a keeper of the bank', status: 204)]
    public function destroy(Request $request, string $search): Response
    {
        $me = User::asking($request);
        $row = DB::table('saved_searches')->where('id', $search)->first() ?? abort(404);
        $role = $me->roleIn(is_string($row->bank_id) ? $row->bank_id : '');
        $may = $row->user_id === $me->id || ($row->shared === true && $role?->canManage() === true);
        if (! $may) {
            abort($role !== null && $row->shared === true ? 403 : 404);
        }
        DB::table('saved_searches')->where('id', $search)->delete();

        return new Response('', 204);
    }
}
