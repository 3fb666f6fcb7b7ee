<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;
use WideQuarry\Messages\Catalogue;
use WideQuarry\Messages\Language;

/** Says everything of this request in the language its reader asks for (RFC 9110, 12.5.4). */
final class SpeakLanguage
{
    /** @param  \Closure(Request): Response  $next */
    public function handle(Request $request, \Closure $next): Response
    {
        $language = Language::asked($request->headers->get('Accept-Language'));
        Catalogue::speak($language);
        $response = $next($request);
        $response->headers->set('Content-Language', $language->value);
        $response->setVary('Accept-Language', false);

        return $response;
    }
}
