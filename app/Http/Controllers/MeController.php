<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Http\Resources\PersonResource;
use Illuminate\Http\Request;

final class MeController
{
    #[Operation('Who is signed in', response: ['data' => 'Person'])]
    public function __invoke(Request $request): PersonResource
    {
        return new PersonResource($request->user());
    }
}
