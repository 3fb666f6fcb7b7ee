<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Variables\Renaming;
use WideQuarry\Variables\ValuesRead;
use WideQuarry\Variables\Variables;
use WideQuarry\Variables\Varying;

/** Values that vary, while an author writes them. Nothing is stored. */
final class ValuesController
{
    #[Operation(
        'Read values and conditions: each formula typeset, an example of each value, and problems at their places',
        response: 'ValuesRead',
        body: ['variables' => 'object|null', 'language' => 'string?'],
    )]
    public function read(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['variables', 'language'])->need('variables');
        $variables = Variables::read($fields->raw('variables'), '/variables');

        return new JsonResponse(Json::encode(ValuesRead::of($variables, $fields->language())), json: true);
    }

    #[Operation(
        'Give a value another name, everywhere it stands',
        response: ['question' => 'QuestionJson'],
        body: ['question' => 'object', 'from' => 'string', 'to' => 'string'],
    )]
    public function rename(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'from', 'to']);
        $renamed = Renaming::of($question->toJson(), $fields->string('from', '', 40), $fields->string('to', '', 40));

        return new JsonResponse(Json::encode(['question' => $renamed]), json: true);
    }

    #[Operation(
        'Let a number of a question vary: a value takes its place, everywhere it stands',
        response: 'VariedQuestion',
        body: ['question' => 'object', 'number' => 'string', 'name' => 'string?'],
    )]
    public function vary(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'number', 'name']);
        [$varied, $name, $places] = Varying::of(
            $question->toJson(),
            $fields->string('number', '', 60),
            $fields->string('name', '', 40),
        );

        return new JsonResponse(Json::encode(['question' => $varied, 'name' => $name, 'places' => $places]), json: true);
    }
}
