<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\AssembleBlueprint;
use App\Actions\Assembly\MakeAssessments;
use App\Errors\Refused;
use App\Http\Input\AssessmentPlace;
use App\Http\OpenApi\Operation;
use App\Http\Resources\AssembledResource;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\Blueprint;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\BlueprintCheck;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Blueprints\Blueprint as Document;
use WideQuarry\Blueprints\SolveOptions;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Random\Seed;
use WideQuarry\Selection\Problem;

/** Tests from blueprints. */
final class AssembleController
{
    /** At once; the command line takes more. */
    private const TESTS = 8;

    private const ASKED = [
        'seed' => 'number?',
        'kept' => 'uuid[]?',
        'apart' => 'uuid[]?',
        'without' => 'uuid[]?',
        'tests' => 'number?',
        'common' => 'number?',
    ];

    #[Operation(
        'Tests that meet a blueprint, or why there are none. kept: questions that stay; apart: those of earlier solutions, to be taken '.
        'again as little as possible; without: those that are not to be taken; tests: how many at once, with at most common questions '.
        'in two of them',
        response: ['data' => 'Assembled'],
        body: self::ASKED,
    )]
    public function solve(Request $request, Blueprint $blueprint, AssembleBlueprint $assemble): JsonResponse
    {
        Gate::authorize('view', $blueprint);

        return $this->solved($request, $blueprint->document(), $assemble);
    }

    #[Operation(
        'The same of the blueprint that an assessment was made from',
        response: ['data' => 'Assembled'],
        body: self::ASKED,
    )]
    public function solveAgain(Request $request, Assessment $assessment, AssembleBlueprint $assemble): JsonResponse
    {
        Gate::authorize('view', $assessment);

        return $this->solved($request, self::blueprintOf($assessment), $assemble);
    }

    #[Operation('What an assessment has of what its blueprint asks for, and what is short', response: ['data' => 'BlueprintCheck'])]
    public function check(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);

        $compared = BlueprintCheck::of(self::blueprintOf($assessment), $assessment->document(), User::asking($request));

        return new JsonResponse(['data' => [
            ...$compared,
            'places' => (object) $compared['places'],
            'questions' => (object) $compared['questions'],
        ]]);
    }

    #[Operation(
        'Make assessments of tests that were found',
        response: ['data' => 'MadeAssessment[]'],
        body: [
            'title' => 'string',
            'bank' => 'string',
            'tests' => 'uuid[][]',
            'seed' => 'number?',
            'folder' => 'string[]?',
            'course' => 'string?',
            'term' => 'string?',
        ],
        status: 201,
    )]
    public function make(Request $request, Blueprint $blueprint, MakeAssessments $make): JsonResponse
    {
        Gate::authorize('view', $blueprint);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['title', 'bank', 'tests', 'seed', 'folder', 'course', 'term']);
        $bank = self::bank($fields);
        $title = trim($fields->string('title', '', 490));
        if ($title === '') {
            throw Refused::because('assessment.no_title', Message::of('app.http.controllers.assessment-needs-name'), '/title');
        }
        $made = $make->handle(
            $blueprint->document(),
            $title,
            $bank->id,
            self::tests($fields->need('tests')),
            Seed::of($fields->int('seed', 1, 0, Seed::MAX)),
            AssessmentPlace::read($fields, null)->columns(),
            User::asking($request),
        );

        return new JsonResponse(['data' => array_map(
            fn (Assessment $one): array => ['id' => $one->id, 'title' => $one->title],
            $made,
        )], 201);
    }

    /** Where assessments are made. */
    private static function bank(Fields $fields): Bank
    {
        $bank = Bank::query()->where('slug', $fields->string('bank'))->first();

        return $bank !== null && Gate::allows('write', $bank)
            ? $bank
            : throw Refused::because('assessment.bank', Message::of('app.http.controllers.choose-bank-you-can'), '/bank');
    }

    /** @return list<list<string>> */
    private static function tests(Fields $fields): array
    {
        $tests = [];
        foreach ($fields->list('tests', Problem::TESTS) as $i => $ids) {
            $tests[] = self::uuids(Fields::of((object) ['questions' => $ids], "/tests/$i", ['questions']), 'questions');
        }

        return $tests;
    }

    private function solved(Request $request, Document $blueprint, AssembleBlueprint $assemble): JsonResponse
    {
        $content = $request->getContent();
        $fields = Fields::of($content === '' ? new \stdClass : Json::decode($content), '', array_keys(self::ASKED));
        $person = User::asking($request);
        $lists = [];
        foreach (['kept', 'apart', 'without'] as $name) {
            $lists[$name] = self::uuids($fields, $name);
        }
        $readable = ReadableIds::of($person)->questions(array_values(array_unique(array_merge(...array_values($lists)))));
        foreach ($lists as $name => $ids) {
            foreach ($ids as $i => $id) {
                if (! isset($readable[$id])) {
                    throw Refused::because('question.gone', Message::of('app.http.controllers.no-such-question'), "/$name/$i");
                }
            }
        }
        $solved = $assemble->handle($blueprint, $person, new SolveOptions(
            Seed::of($fields->int('seed', $blueprint->seed->value, 0, Seed::MAX)),
            $lists['kept'],
            $lists['apart'],
            $lists['without'],
            $fields->int('tests', 1, 1, self::TESTS),
            $fields->int('common', 0, 0, Document::QUESTIONS),
        ));

        return new JsonResponse(['data' => AssembledResource::of($blueprint, $solved, $person)]);
    }

    private static function blueprintOf(Assessment $assessment): Document
    {
        return $assessment->stored()->blueprint
            ?? throw Refused::because('assessment.no_blueprint', Message::of('app.http.controllers.no-blueprint'));
    }

    /** @return list<string> */
    private static function uuids(Fields $fields, string $field): array
    {
        $ids = [];
        foreach ($fields->list($field, 26 * Document::QUESTIONS) as $i => $id) {
            $ids[Fields::asUuid($id, $fields->at("$field/$i"))] = true;
        }

        return array_keys($ids);
    }
}
