<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\HomeDesk;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** Where a person goes on: what was begun, what waits, what others changed. */
final class DeskController
{
    #[Operation(
        'What one had begun and saved last, what waits in the banks one writes in, and what others changed there lately',
        response: 'Desk',
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $person = User::asking($request);

        return new JsonResponse([
            'begun' => HomeDesk::begun($person),
            'recent' => HomeDesk::recent($person),
            'waiting' => HomeDesk::waiting($person),
            'intakes' => HomeDesk::intakes($person),
            'acts' => HomeDesk::acts($person),
            'changed' => HomeDesk::changed($person),
        ]);
    }
}
