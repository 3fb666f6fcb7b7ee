<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SecurityLog;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Personal tokens for programs: what they may do, and until when. They never reach accounts, people or settings. */
final class TokenController
{
    private const MOST = 20;

    private const LONGEST_DAYS = 366;

    #[Operation('Your tokens; the secrets are not kept', response: ['data' => 'ApiToken[]'])]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse([
            'data' => User::asking($request)
                ->tokens()
                ->orderBy('id')
                ->get(['id', 'name', 'abilities', 'last_used_at', 'expires_at', 'created_at']),
        ]);
    }

    #[Operation(
        'Create a token; it is shown once',
        response: ['data' => 'NewToken'],
        body: ['name' => 'string', 'abilities' => 'string[]', 'days' => 'integer', 'password' => 'string'],
        status: 201,
    )]
    public function store(Request $request): JsonResponse
    {
        $person = User::asking($request);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'abilities', 'days', 'password'])
            ->need('name')
            ->need('days')
            ->need('password');
        AccountController::prove($person, $fields->string('password', '', 255), '/password');
        $name = trim($fields->string('name', '', 100));
        $abilities = array_values(array_intersect(['read', 'write'], $fields->strings('abilities', 2)));
        if ($name === '' || $abilities === []) {
            throw $name === ''
                ? Refused::because('token.name', Message::of('app.http.controllers.enter-name-you-know'), '/name')
                : Refused::because('token.abilities', Message::of('app.http.controllers.choose-may-do-read'), '/abilities');
        }
        if ($person->tokens()->count() >= self::MOST) {
            throw Refused::because('token.too_many', Message::of('app.http.controllers.you-tokens-delete-one', [
                'most' => self::MOST,
            ]));
        }
        $token = $person->createToken($name, $abilities, now()->addDays($fields->int('days', 30, 1, self::LONGEST_DAYS)));
        SecurityLog::write('token_created', $person, ['name' => $name, 'abilities' => $abilities]);

        return new JsonResponse(['data' => ['id' => $token->accessToken->getKey(), 'token' => $token->plainTextToken]], 201);
    }

    #[Operation('Delete a token', status: 204)]
    public function destroy(Request $request, string $token): Response
    {
        $person = User::asking($request);
        if ($person->tokens()->where('id', $token)->delete() !== 1) {
            abort(404);
        }
        SecurityLog::write('token_deleted', $person);

        return new Response('', 204);
    }
}
