<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Description;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;

/** The one page of the front end, and the description of the API. */
final class PageController
{
    public function app(): Response
    {
        $demo = [...(config('app.demo') === true ? ['demo' => true] : []), ...(app()->environment('production') === true ? [] : ['gallery' => true])];

        return new Response(view('app', ['settings' => $demo])->render(), 200, ['Cache-Control' => 'no-store']);
    }

    public function openapi(Description $description): JsonResponse
    {
        return new JsonResponse($description->build());
    }
}
