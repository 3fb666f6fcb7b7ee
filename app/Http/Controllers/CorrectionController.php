<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Intake\CorrectFile;
use App\Http\OpenApi\Operation;
use App\Models\Intake;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** What an author corrects of how a typed document or a table of an intake was read. */
final class CorrectionController
{
    #[Operation(
        'Read the file again with these corrections; base are those they go on from. A large file is read in the background',
        response: ['state' => 'string'],
        body: ['corrections' => 'object', 'base' => 'object'],
    )]
    public function update(Request $request, Intake $intake, string $file, CorrectFile $correct): JsonResponse
    {
        Gate::authorize('work', $intake);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['corrections', 'base'])->need('corrections');
        $correct->handle($intake, $file, $fields->raw('corrections'), $fields->has('base') ? $fields->raw('base') : null);

        return new JsonResponse(['state' => $intake->refresh()->state]);
    }
}
