<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\FailedWork;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use WideQuarry\Messages\Message;

/** Work in the background that failed, with a way to try again. */
final class WorkController
{
    #[Operation(
        'Failed imports, exports, bulk changes and specimen runs: your own, and those of banks you manage; administrators see '
            .'all, without their titles',
        response: ['data' => 'FailedWork[]'],
    )]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => FailedWork::of(User::asking($request))]);
    }

    #[Operation('Try again', status: 204)]
    public function retry(Request $request, string $kind, string $id): Response
    {
        $seen = array_filter(
            FailedWork::of(User::asking($request)),
            fn (array $one): bool => $one['kind'] === $kind && $one['id'] === $id,
        );
        if ($seen === []) {
            abort(404);
        }
        if (! FailedWork::again($kind, $id)) {
            throw Refused::because('work.not_failed', Message::of('app.http.controllers.failed-somebody-started-again'));
        }

        return new Response('', 204);
    }
}
