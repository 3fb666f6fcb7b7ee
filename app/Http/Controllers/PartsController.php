<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Intake\ChooseParts;
use App\Http\OpenApi\Operation;
use App\Http\Resources\IntakeResource;
use App\Models\Intake;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** The parts of the packages of an import, to choose from before they are read. */
final class PartsController
{
    #[Operation('What each package falls into: quizzes, pools, questions on their own', response: ['data' => 'PackageParts[]'])]
    public function show(Intake $intake): JsonResponse
    {
        Gate::authorize('work', $intake);
        $files = DB::table('intake_files')->where('intake_id', $intake->id)->whereNotNull('parts')->orderBy('position');

        return new JsonResponse([
            'data' => $files->get(['id', 'name', 'parts'])->map(fn (\stdClass $file): array => [
                'id' => $file->id,
                'name' => $file->name,
                ...(array) Json::decode(is_string($file->parts) ? $file->parts : '{}'),
            ]),
        ]);
    }

    #[Operation(
        'Read what is chosen: file to ids of its parts, an empty list to leave the file out; a file that is not named is read whole',
        response: ['data' => 'Intake'],
        body: ['parts' => 'object'],
    )]
    public function update(Request $request, Intake $intake, ChooseParts $choose): IntakeResource
    {
        Gate::authorize('work', $intake);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['parts'])->need('parts');
        $choose->choose($intake, $fields->raw('parts'));

        return new IntakeResource($intake->refresh());
    }
}
