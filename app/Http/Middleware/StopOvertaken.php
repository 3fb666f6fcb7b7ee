<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Infrastructure\Sql;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * A person who is typing asks again before the last search is answered, and nobody needs that answer any more. Requests for the same
 * list in the same tab carry its name and count up (Quarry-Search: name;7); each stops those before it that are still running in the
 * database. They may be handled in another order than they were sent, so what was sent later is left alone.
 */
final class StopOvertaken
{
    public const HEADER = 'Quarry-Search';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (preg_match('/^([\w-]{1,200});(\d{1,15})$/D', $request->headers->get(self::HEADER) ?? '', $sent) === 1) {
            $list = self::name(User::asking($request)->id, $sent[1]);
            Sql::rows(
                <<<'SQL'
                    SELECT pg_cancel_backend(pid) FROM pg_stat_activity
                    WHERE CASE WHEN starts_with(application_name, ?) THEN split_part(application_name, ';', 2)::bigint < ? END
                        AND state = 'active' AND pid <> pg_backend_pid()
                    SQL,
                ["$list;", (int) $sent[2]],
            );
            Sql::rows("SELECT set_config('application_name', ?, false)", ["$list;$sent[2]"]);
        }

        return $next($request);
    }

    /** The connection is kept, and its next request is another one's. */
    public function terminate(Request $request): void
    {
        if ($request->headers->has(self::HEADER)) {
            rescue(fn (): array => Sql::rows("SELECT set_config('application_name', '', false)"));
        }
    }

    /** Of one person's list: nobody can stop anybody else's. */
    public static function name(string $person, string $list): string
    {
        return 'search '.substr(hash('sha256', "$person $list"), 0, 40);
    }
}
