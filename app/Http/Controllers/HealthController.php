<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Infrastructure\Health;
use Illuminate\Http\JsonResponse;

/** For whatever watches the server: live (PHP answers) and ready (everything it needs is there) are asked apart. */
final class HealthController
{
    public function live(): JsonResponse
    {
        return new JsonResponse(['live' => true]);
    }

    public function ready(): JsonResponse
    {
        $parts = Health::parts();

        return new JsonResponse(['ready' => ! in_array(false, $parts, true), ...$parts], in_array(false, $parts, true) ? 503 : 200, [
            'Cache-Control' => 'no-store',
        ]);
    }
}
