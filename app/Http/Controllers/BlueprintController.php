<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\SaveBlueprint;
use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\BlueprintResource;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\Blueprint;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\BlueprintQuestions;
use App\Queries\Blueprints;
use App\Queries\BlueprintValues;
use App\Queries\LikeAssessment;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Blueprints\Availability;
use WideQuarry\Blueprints\Blueprint as Document;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;

/** Blueprints: what tests are to be made of. */
final class BlueprintController
{
    private const PAGE = 100;

    #[Operation(
        'Blueprints of the banks one may read, the last changed first (?is=binned: those in the bin)',
        response: ['data' => 'BlueprintRow[]'],
    )]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => Blueprints::readable(User::asking($request), $request->query('is') === 'binned')]);
    }

    #[Operation(
        'Make a blueprint in a bank: empty, like another, or of what an assessment asks',
        response: ['data' => 'Blueprint'],
        body: ['title' => 'string', 'bank' => 'string', 'like' => 'uuid?', 'assessment' => 'uuid?'],
        status: 201,
    )]
    public function store(Request $request, SaveBlueprint $save): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['title', 'bank', 'like', 'assessment']);
        $bank = Bank::query()->where('slug', $fields->string('bank'))->first();
        if ($bank === null || ! Gate::allows('write', $bank)) {
            throw Refused::because('blueprint.bank', Message::of('app.http.controllers.choose-bank-you-can'), '/bank');
        }
        $title = trim($fields->string('title', '', 500));
        if ($title === '') {
            throw Refused::because('blueprint.no_title', Message::of('app.http.controllers.blueprint-needs-name'), '/title');
        }
        $id = (string) Str::uuid7();
        $json = Document::fresh($id, $title);
        $original = null;
        if ($fields->has('like')) {
            $model = Blueprint::query()->findOrFail(Fields::asUuid($fields->raw('like'), '/like'));
            Gate::authorize('view', $model);
            $original = $model->document();
            $json = $original->toJson();
        } elseif ($fields->has('assessment')) {
            $asked = Assessment::query()->findOrFail(Fields::asUuid($fields->raw('assessment'), '/assessment'));
            Gate::authorize('view', $asked);
            $json = LikeAssessment::blueprint($asked, User::asking($request), $json);
            $original = Document::read($json);
        } else {
            $json->banks = [$bank->id];
        }
        [$json->id, $json->title] = [$id, $title];

        return $this->answer($save->create($json, $bank->id, User::asking($request), $original))->setStatusCode(201);
    }

    #[Operation('One blueprint, with what its conditions are called; ETag is its version', response: ['data' => 'Blueprint'])]
    public function show(Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('view', $blueprint);

        return $this->answer($blueprint);
    }

    #[Operation(
        'Store the next version; If-Match names the one it was started from',
        response: ['data' => 'Blueprint'],
        body: ['content' => 'object'],
    )]
    public function update(Request $request, Blueprint $blueprint, SaveBlueprint $save): JsonResponse
    {
        Gate::authorize('update', $blueprint);
        $content = Fields::of(Json::decode($request->getContent()), '', ['content'])->need('content')->raw('content');
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-version-started'));
        }
        $content = $content instanceof \stdClass ? $content : throw Malformed::wrongType('/content', Message::of('json.object'), $content);
        if (! $save->revise($blueprint, $content, $match, User::asking($request))) {
            return Problems::superseded($blueprint->refresh()->version);
        }

        return $this->answer($blueprint->refresh());
    }

    #[Operation('Put a blueprint into the bin; what was made of it stays', status: 204)]
    public function destroy(Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('restore', $blueprint);
        Blueprint::query()->whereKey($blueprint->id)->whereNull('binned_at')->update(['binned_at' => now()]);

        return new JsonResponse(null, 204);
    }

    #[Operation('Take a blueprint out of the bin, as it was', response: ['data' => 'Blueprint'])]
    public function restore(Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('restore', $blueprint);
        Blueprint::query()->whereKey($blueprint->id)->update(['binned_at' => null]);

        return $this->answer($blueprint->refresh());
    }

    #[Operation(
        'How many questions the banks have for every place of its tables, in the banks one may read',
        response: ['data' => 'BlueprintAvailability'],
    )]
    public function availability(Request $request, Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('view', $blueprint);
        $document = $blueprint->document();
        $questions = BlueprintQuestions::of($document, User::asking($request));

        return new JsonResponse([
            'data' => ['places' => Availability::of($document, $questions->tallies()), 'hidden_banks' => $questions->hidden()],
        ]);
    }

    #[Operation(
        'The questions of one place of a table (?place=t1|r1|c1), approved ones first, a hundred from ?from= on',
        response: ['data' => 'BlueprintQuestion[]'],
    )]
    public function questions(Request $request, Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('view', $blueprint);
        $place = $request->query('place');
        $from = filter_var($request->query('from', '0'), FILTER_VALIDATE_INT, ['options' => ['min_range' => 0, 'max_range' => 1_000_000]]);
        $document = $blueprint->document();
        $needs = $document->needs(is_string($place) ? $place : '');
        if ($needs === null || $from === false) {
            throw Malformed::outOfRange($needs === null ? '/place' : '/from', Message::of('app.http.controllers.a-place'), $place);
        }

        return new JsonResponse(['data' => BlueprintQuestions::of($document, User::asking($request))->rows($needs, self::PAGE, $from)]);
    }

    #[Operation(
        'The values of an attribute (?of=topic) in the banks of a blueprint that one may read, so that they can become rows or columns',
        response: ['data' => 'BlueprintValue[]'],
    )]
    public function values(Request $request, Blueprint $blueprint): JsonResponse
    {
        Gate::authorize('view', $blueprint);
        $of = $request->query('of');
        $banks = array_keys(ReadableIds::of(User::asking($request))->banks($blueprint->document()->banks));

        return new JsonResponse(['data' => BlueprintValues::of(is_string($of) ? $of : '', $banks)]);
    }

    private function answer(Blueprint $blueprint): JsonResponse
    {
        return (new BlueprintResource($blueprint))->response()->header('ETag', "\"$blueprint->version\"");
    }
}
