<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\MakeFormSet;
use App\Http\OpenApi\Operation;
use App\Models\Assessment;
use App\Models\FormSet;
use App\Models\User;
use App\Queries\FormSets;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Forms\FormSettings;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Random\Seed;

/** The forms (versions) of an assessment. */
final class FormController
{
    #[Operation('The sets of forms that were made, the newest first', response: ['data' => 'FormSetRow[]'])]
    public function index(Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);

        return new JsonResponse(['data' => FormSets::of($assessment)]);
    }

    #[Operation(
        'Make forms. count: 1 to 26; longest_run: how many questions in a row may have the same key letter',
        response: ['data' => 'FormSet'],
        body: ['count' => 'number', 'seed' => 'number?', 'longest_run' => 'number?'],
        status: 201,
    )]
    public function store(Request $request, Assessment $assessment, MakeFormSet $make): JsonResponse
    {
        Gate::authorize('changeState', $assessment);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['count', 'seed', 'longest_run'])->need('count');
        $set = $make->handle(
            $assessment,
            User::asking($request),
            $fields->int('count', 2, 1, FormSettings::MOST),
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            $fields->int('longest_run', FormSettings::LONGEST_RUN, 1, FormSettings::MOST_RUN),
        );

        return new JsonResponse(['data' => FormSets::shown($set, $assessment, User::asking($request))], 201);
    }

    #[Operation('A set of forms with its keys', response: ['data' => 'FormSet'])]
    public function show(Request $request, Assessment $assessment, FormSet $set): JsonResponse
    {
        Gate::authorize('view', $assessment);
        abort_unless($set->assessment_id === $assessment->id, 404);

        return new JsonResponse(['data' => FormSets::shown($set, $assessment, User::asking($request))]);
    }
}
