<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Errors\Problems;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Messages\Message;

/**
 * Trying, scoring, converting and printing take as much time as somebody makes their question take. They run in a PHP pool of their own
 * (deploy/php-fpm-heavy.conf), and here each person gets two places in it, so that one cannot hold it alone. A place is a lock on a file,
 * which ends with the process, however it ends.
 */
final class HeavyWork
{
    private const PLACES = 2;

    /** Somebody typing sends the next request before the last one is answered; so long they wait for a place. */
    private const SECONDS = 4.0;

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $place = $this->place(User::asking($request)->id);
        if ($place === null) {
            return Problems::json(
                429,
                'try.busy',
                Message::of('app.http.middleware.two-your-requests-still'),
                [],
                ['Retry-After' => '1'],
            );
        }
        try {
            return $next($request);
        } finally {
            fclose($place);
        }
    }

    /** @return resource|null */
    private function place(string $person)
    {
        $until = microtime(true) + self::SECONDS;
        $folder = storage_path('framework/heavy');
        if (! is_dir($folder)) {
            @mkdir($folder, 0750, true);
        }
        do {
            for ($number = 1; $number <= self::PLACES; $number++) {
                $file = @fopen("$folder/$person-$number", 'c');
                if ($file === false) {
                    // on a full disk, serve the request without the limit
                    return fopen('php://memory', 'r') ?: null;
                }
                if (flock($file, LOCK_EX | LOCK_NB)) {
                    return $file;
                }
                fclose($file);
            }
            usleep(20_000);
        } while (microtime(true) < $until);

        return null;
    }
}
