<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** For administrators only; everybody else is told nothing of it. */
final class Administrator
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        User::asking($request)->is_administrator || abort(403);

        return $next($request);
    }
}
