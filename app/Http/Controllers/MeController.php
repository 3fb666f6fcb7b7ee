<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Http\Resources\PersonResource;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Question\Detail;

/** Who is signed in, and how they like to see things. */
final class MeController
{
    #[Operation('Who is signed in', response: ['data' => 'Person'])]
    public function show(Request $request): PersonResource
    {
        return new PersonResource($request->user());
    }

    #[Operation(
        'Choose what stands beside questions: key, feedback, standards, difficulty, place, source, state',
        body: ['details' => 'string[]'],
        status: 204,
    )]
    public function details(Request $request): Response
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['details'])->need('details');
        $names = array_column(Detail::list($fields, 'details'), 'value');
        User::asking($request)->forceFill(['details' => '{'.implode(',', $names).'}'])->save();

        return new Response('', 204);
    }
}
