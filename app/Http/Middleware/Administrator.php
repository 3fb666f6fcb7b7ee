<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Errors\Problems;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Messages\Message;

/** For administrators only, with a second factor outside the demo; everybody else is told nothing of it. */
final class Administrator
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $person = User::asking($request);
        if (! $person->is_administrator) {
            abort(403);
        }
        if (app()->environment('production') === true && ! $person->second_factor_on) {
            return Problems::json(403, 'second_factor.needed', Message::of('app.http.middleware.administrators-need-second-factor'));
        }

        return $next($request);
    }
}
