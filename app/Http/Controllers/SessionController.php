<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Http\Requests\SignInRequest;
use App\Http\Resources\PersonResource;
use App\Models\User;
use App\Support\Problems;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Auth;

final class SessionController
{
    #[Operation('Sign in', response: PersonResource::class)]
    public function store(SignInRequest $request): JsonResponse
    {
        if (! $request->hasSession()) {
            return Problems::json(400, 'session.no_origin', 'Signing in starts on our own page. Programs use a personal token instead.');
        }
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);
        if (! $guard->attempt(['email' => strtolower($request->string('email')->value()), 'password' => $request->string('password')->value()])) {
            return Problems::json(422, 'session.refused', 'This address and password do not belong together.');
        }
        $request->session()->regenerate();
        $user = $guard->user();
        assert($user instanceof User);

        return (new PersonResource($user))->response();
    }

    #[Operation('Sign out')]
    public function destroy(Request $request): Response
    {
        $guard = Auth::guard('web');
        assert($guard instanceof StatefulGuard);
        $guard->logout();
        if ($request->hasSession()) {
            $request->session()->invalidate();
            $request->session()->regenerateToken();
        }

        return new Response('', 204);
    }
}
