<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Accounts\ChangePerson;
use App\Actions\Accounts\HandOver;
use App\Actions\Accounts\PasswordLinks;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\Accounts;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** People, for administrators: invited, disabled, their banks handed over. Administrators read no bank without a share. */
final class PeopleController
{
    #[Operation('Everybody with an account', response: ['data' => 'Account[]'])]
    public function index(): JsonResponse
    {
        return new JsonResponse(['data' => Accounts::all()]);
    }

    #[Operation(
        'Invite somebody by mail; they choose their password with the link',
        response: ['data' => 'Created'],
        body: ['name' => 'string', 'email' => 'string', 'administrator' => 'boolean?', 'words' => 'string?'],
        status: 201,
    )]
    public function store(Request $request, PasswordLinks $links): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'email', 'administrator', 'words'])
            ->need('name')
            ->need('email');
        $email = mb_strtolower(trim($fields->string('email', '', 255)));
        $name = trim($fields->string('name', '', 100));
        if (filter_var($email, FILTER_VALIDATE_EMAIL) === false) {
            throw Refused::because('person.email', Message::of('app.http.controllers.enter-mail-address-example'), '/email');
        }
        if ($name === '') {
            throw Refused::because('person.name', Message::of('app.http.controllers.enter-name'), '/name');
        }
        if (User::query()->where('email', $email)->exists()) {
            throw Refused::because('person.exists', Message::of('app.http.controllers.already-account-address'), '/email');
        }
        /** @var User $person */
        $person = DB::transaction(function () use ($fields, $email, $name, $links, $request): User {
            $person = User::query()->create([
                'name' => $name,
                'email' => $email,
                'password' => Str::random(60),
                'is_administrator' => $fields->bool('administrator', false),
            ]);
            $links->invite($person->refresh(), User::asking($request), $fields->string('words', '', 1000));

            return $person;
        });

        return new JsonResponse(['data' => ['id' => $person->id]], 201);
    }

    #[Operation(
        'Change a name, make somebody an administrator, disable or enable an account, or send the invitation again',
        body: [
            'name' => 'string?',
            'administrator' => 'boolean?',
            'disabled' => 'boolean?',
            'invite' => 'boolean?',
            'second_factor_off' => 'boolean?',
        ],
        status: 204,
    )]
    public function update(Request $request, User $person, ChangePerson $change): Response
    {
        $known = ['name', 'administrator', 'disabled', 'invite', 'second_factor_off'];
        $change->handle($person, Fields::of(Json::decode($request->getContent()), '', $known), User::asking($request));

        return new Response('', 204);
    }

    #[Operation(
        'Hand the banks somebody manages over to somebody else',
        response: ['banks' => 'number'],
        body: ['to' => 'uuid', 'words' => 'string?'],
    )]
    public function handOver(Request $request, User $person, HandOver $hand): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['to', 'words'])->need('to');
        $to =
            User::query()->whereKey($fields->uuid('to'))->first() ??
            throw Refused::because('hand_over.to', Message::of('app.http.controllers.choose-another-person-can'), '/to');

        return new JsonResponse(['banks' => $hand->handle($person, $to, User::asking($request), $fields->string('words', '', 1000))]);
    }
}
