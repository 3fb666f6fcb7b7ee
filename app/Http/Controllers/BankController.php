<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\MakeBank;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Http\Resources\BankResource;
use App\Models\Bank;
use App\Models\User;
use App\Queries\ReadableBanks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
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
        return BankResource::collection(ReadableBanks::of(User::asking($request))->orderByRaw('name COLLATE by_name')->limit(500)->get());
    }

    #[Operation('One bank', response: ['data' => 'Bank'])]
    public function show(Request $request, Bank $bank): BankResource
    {
        Gate::authorize('view', $bank);

        return new BankResource(ReadableBanks::of(User::asking($request))->findOrFail($bank->id));
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

        return (new BankResource(ReadableBanks::of(User::asking($request))->findOrFail($bank->id)))->response()->setStatusCode(201);
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

        return new BankResource(ReadableBanks::of(User::asking($request))->findOrFail($bank->id));
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
}
