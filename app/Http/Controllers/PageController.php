<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Description;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use WideQuarry\Media\MediaLimits;

/** The one page of the front end, and the description of the API. */
final class PageController
{
    /** First steps of the addresses that the front end knows (resources/js/screens.ts). */
    private const SCREENS = [
        '',
        'sign-in',
        'forgot',
        'choose-password',
        'desk',
        'account',
        'people',
        'work',
        'banks',
        'find',
        'acts',
        'stimuli',
        'questions',
        'assessments',
        'blueprints',
        'coverage',
        'frameworks',
        'transfers',
        'help',
        'intakes',
        'dispatches',
        'receipts',
        'gallery',
    ];

    /** The page says by its status whether there is such a screen; a file that is missing gets no page. */
    public function app(string $path = ''): Response
    {
        $isKnown = in_array(explode('/', $path)[0], self::SCREENS, true);
        if (! $isKnown && str_contains(basename($path), '.')) {
            return new Response('Not found', 404, ['Content-Type' => 'text/plain']);
        }
        $demo = [
            ...config('app.demo') === true ? ['demo' => true] : [],
            ...app()->environment('production') === true ? [] : ['gallery' => true],
            'media' => [
                'bytes' => MediaLimits::BYTES,
                'pixels' => MediaLimits::PIXELS,
                'seconds' => MediaLimits::SECONDS,
                'atOnce' => MediaLimits::AT_ONCE,
            ],
        ];

        return new Response(view('app', ['settings' => $demo])->render(), $isKnown ? 200 : 404, ['Cache-Control' => 'no-store']);
    }

    public function openapi(Description $description): JsonResponse
    {
        return new JsonResponse($description->build());
    }
}
