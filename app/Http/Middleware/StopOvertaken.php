<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Infrastructure\Sql;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Somebody who types asks again before the last search is answered, and nobody waits for that one any more. Requests of one list in one
 * tab name it (Quarry-Search); a request stops what the database still does for those before it.
 */
final class StopOvertaken
{
    public const HEADER = 'Quarry-Search';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $list = $request->headers->get(self::HEADER) ?? '';
        if (preg_match('/^[\w-]{1,200}$/D', $list) === 1) {
            $name = self::name(User::asking($request)->id, $list);
            Sql::rows(
                'SELECT pg_cancel_backend(pid) FROM pg_stat_activity WHERE application_name = ? AND pid <> pg_backend_pid()',
                [$name],
            );
            Sql::rows("SELECT set_config('application_name', ?, false)", [$name]);
        }

        return $next($request);
    }

    /** Of one person's list: nobody can stop anybody else's. */
    public static function name(string $person, string $list): string
    {
        return 'search '.substr(hash('sha256', "$person $list"), 0, 40);
    }
}
