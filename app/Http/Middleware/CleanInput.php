<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\Errors\Problems;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Json\Unstorable;
use WideQuarry\Messages\Message;

/**
 * What can never be stored is taken out at the door. Of a body it is removed, and the answer says how many characters that were
 * (Quarry-Removed-Characters); a path that is no text leads nowhere.
 */
final class CleanInput
{
    public const REMOVED = 'Quarry-Removed-Characters';

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        if (! self::isText(rawurldecode($request->path()))) {
            return Problems::json(404, '404', Message::of('app.http.middleware.nothing'));
        }
        [$json, $removed] = $request->isJson() ? Unstorable::remove($request->getContent()) : ['', 0];
        if ($removed > 0) {
            $request->initialize(
                $request->query->all(),
                [],
                $request->attributes->all(),
                $request->cookies->all(),
                [],
                $request->server->all(),
                $json,
            );
        }
        $response = $next($request);
        if ($removed !== 0) {
            $response->headers->set(self::REMOVED, (string) $removed);
        }

        return $response;
    }

    private static function isText(string $text): bool
    {
        return mb_check_encoding($text, 'UTF-8') && ! str_contains($text, "\0");
    }
}
