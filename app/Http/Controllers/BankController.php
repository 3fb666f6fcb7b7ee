<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MakeBank;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Http\Resources\BankResource;
use App\Models\Bank;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Defaults;

final class BankController
{
    private const ABOUT = ['name', 'purpose', 'subject', 'level', 'course', 'term'];

    #[Operation('The banks one may read', response: ['data' => 'Bank[]'])]
    public function index(Request $request): AnonymousResourceCollection
    {
        return BankResource::collection($this->readable($request)->orderByRaw('name COLLATE by_name')->limit(500)->get());
    }

    #[Operation('One bank', response: ['data' => 'Bank'])]
    public function show(Request $request, Bank $bank): BankResource
    {
        Gate::authorize('view', $bank);

        return new BankResource($this->readable($request)->findOrFail($bank->id));
    }

    #[Operation(
        'Make a bank; who makes it keeps it',
        response: ['data' => 'Bank'],
        body: [
            'name' => 'string',
            'purpose' => 'string?',
            'subject' => 'string?',
            'level' => 'string?',
            'course' => 'string?',
            'term' => 'string?',
        ],
        status: 201,
    )]
    public function store(Request $request, MakeBank $make): JsonResponse
    {
        $user = User::asking($request);
        $bank = $make->handle($this->about($request, true), $user);

        return (new BankResource($this->readable($request)->findOrFail($bank->id)))->response()->setStatusCode(201);
    }

    #[Operation(
        'Change what is said of a bank',
        response: ['data' => 'Bank'],
        body: [
            'name' => 'string?',
            'purpose' => 'string?',
            'subject' => 'string?',
            'level' => 'string?',
            'course' => 'string?',
            'term' => 'string?',
            'archived' => 'boolean?',
            'lends' => 'boolean?',
            'defaults' => 'object?',
        ],
    )]
    public function update(Request $request, Bank $bank): BankResource
    {
        Gate::authorize('keep', $bank);
        $bank->fill($this->about($request, false));
        $fields = $this->fields($request);
        if ($fields->has('archived')) {
            $bank->archived_at = $fields->bool('archived', false) ? now() : null;
        }
        if ($fields->has('lends')) {
            $bank->lends = $fields->bool('lends', false);
        }
        if ($fields->has('defaults')) {
            try {
                $bank->defaults = Json::encode(Defaults::read($fields->raw('defaults'))->toJson());
            } catch (Malformed $problem) {
                throw $problem->under('/defaults');
            }
        }
        $bank->save();

        return new BankResource($this->readable($request)->findOrFail($bank->id));
    }

    private function fields(Request $request): Fields
    {
        return Fields::of(Json::decode($request->getContent()), '', [...self::ABOUT, 'archived', 'lends', 'defaults']);
    }

    /** @return array<string, string> */
    private function about(Request $request, bool $fresh): array
    {
        $fields = $this->fields($request);
        $about = [];
        foreach (self::ABOUT as $name) {
            if ($fields->has($name)) {
                $about[$name] = trim($fields->string($name, '', 200));
            }
        }
        if (($fresh || isset($about['name'])) && ($about['name'] ?? '') === '') {
            throw Refused::because('bank.no_name', Message::of('app.http.controllers.bank-needs-name'), '/name');
        }

        return $about;
    }

    /** @return Builder<Bank> one query, with counts by status and who else reads them */
    private function readable(Request $request): Builder
    {
        $user = User::asking($request);

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
