<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Errors\Problems;
use App\Models\User;
use Closure;
use Illuminate\Contracts\Auth\StatefulGuard;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Laravel\Sanctum\PersonalAccessToken;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Messages\Message;

/**
 * Whether whoever is signed in still may be: accounts are disabled, sessions ended from elsewhere, and none lasts for ever however
 * much it is used. A token is good for what its abilities say, and never for accounts and people.
 */
final class LiveSession
{
    public const LONGEST = 12 * 3600; // seconds; OWASP ASVS 4.0.3, 3.3.2. What was typed is kept when it ends

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = User::asking($request);
        $token = $this->token($person);
        if ($token !== null) {
            return $this->ofToken($request, $person, $token) ?? $next($request);
        }
        if ($person->disabled_at !== null || ($request->hasSession() && $this->hasEnded($request, $person))) {
            $guard = Auth::guard('web');
            if ($guard instanceof StatefulGuard) {
                $guard->logout();
            }
            if ($request->hasSession()) {
                $request->session()->invalidate();
            }

            return Problems::json(401, '401', Message::of('app.http.middleware.you-signed-out-sign'));
        }

        return $next($request);
    }

    private function hasEnded(Request $request, User $person): bool
    {
        $at = $request->session()->get('signed_in_at');
        if (! is_int($at)) {
            // a session from before an upgrade
            $request->session()->put('signed_in_at', now()->getTimestamp());

            return false;
        }

        return $at < now()->getTimestamp() - self::LONGEST ||
            ($person->signed_out_before !== null && $at < $person->signed_out_before->getTimestamp());
    }

    /** Sanctum gives a stand-in (TransientToken) to whoever is signed in by a session, whatever its types say. */
    private function token(User $person): ?PersonalAccessToken
    {
        $token = $person->currentAccessToken();

        return is_a($token, PersonalAccessToken::class) ? $token : null; // @phpstan-ignore function.alreadyNarrowedType
    }

    private function ofToken(Request $request, User $person, PersonalAccessToken $token): ?Response
    {
        $needs = $request->isMethodSafe() ? 'read' : 'write';
        $isPrivate = $request->is('api/v1/me/*', 'api/v1/admin/*', 'api/v1/session');

        return match (true) {
            $person->disabled_at !== null => Problems::json(401, '401', Message::of('app.http.middleware.account-disabled')),
            $isPrivate => Problems::json(403, 'token.private', Message::of('app.http.middleware.token-cannot-do-sign')),
            ! $token->can($needs) => Problems::json(403, 'token.ability', Message::of('app.http.middleware.token-may-not', [
                'needs' => $needs,
            ])),
            default => null,
        };
    }
}
