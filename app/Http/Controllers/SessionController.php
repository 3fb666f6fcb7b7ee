<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\SecurityLog;
use App\Actions\Accounts\SignIn;
use App\Http\Errors\Problems;
use App\Http\OpenApi\Operation;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\PersonResource;
use App\Models\User;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;
use WideQuarry\Messages\Message;

final class SessionController
{
    #[Operation(
        'Sign in; code is that of the second factor, once the answer asks for it',
        response: ['data' => 'Person'],
        body: ['email' => 'string', 'password' => 'string', 'code' => 'string?'],
    )]
    public function store(SignInRequest $request, SignIn $signIn): JsonResponse
    {
        if (! $request->hasSession()) {
            return Problems::json(400, 'session.no_origin', Message::of('app.http.controllers.signing-starts-our-own'));
        }
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);
        $user = $signIn->handle(
            $request->string('email')->value(),
            $request->string('password')->value(),
            $request->string('code')->value(),
        );
        $guard->login($user);
        $request->session()->regenerate();
        $request->session()->put('signed_in_at', now()->getTimestamp());

        return (new PersonResource($user))->response();
    }

    #[Operation('Sign out')]
    public function destroy(Request $request): Response
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);
        $user = $guard->user();
        if ($user instanceof User) {
            SecurityLog::write('sign_out', $user);
        }
        $guard->logout();
        if ($request->hasSession()) {
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return new Response('', 204);
    }
}
