<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Accounts\SecondFactor;
use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Codes of an authenticator app beside the password. */
final class SecondFactorController
{
    #[Operation(
        'Begin with a second factor: the secret for an authenticator app; it is on once a code was given',
        response: ['data' => 'SecondFactorSecret'],
        body: ['password' => 'string'],
    )]
    public function store(Request $request, SecondFactor $factor): JsonResponse
    {
        $person = $this->proven($request);

        return new JsonResponse(['data' => $factor->begin($person)]);
    }

    #[Operation(
        'Turn it on with a code of the app; recovery codes come back, once',
        response: ['data' => 'RecoveryCodes'],
        body: ['code' => 'string'],
    )]
    public function update(Request $request, SecondFactor $factor): JsonResponse
    {
        $code = Fields::of(Json::decode($request->getContent()), '', ['code'])
            ->need('code')
            ->string('code', '', 20);

        return new JsonResponse(['data' => ['recovery_codes' => $factor->confirm(User::asking($request), $code)]]);
    }

    #[Operation('Turn the second factor off', body: ['password' => 'string'], status: 204)]
    public function destroy(Request $request, SecondFactor $factor): Response
    {
        $factor->off($this->proven($request));

        return new Response('', 204);
    }

    private function proven(Request $request): User
    {
        $person = User::asking($request);
        AccountController::prove(
            $person,
            Fields::of(Json::decode($request->getContent()), '', ['password'])
                ->need('password')
                ->string('password', '', 255),
            '/password',
        );

        return $person;
    }
}
