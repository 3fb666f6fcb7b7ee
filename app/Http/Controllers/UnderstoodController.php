<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Answer\NumberReader;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Number\Quantity;
use WideQuarry\Units\UnitProblem;

/** A number with a unit as it is understood while it is typed; whether it is right is not said. */
final class UnderstoodController
{
    #[Operation(
        'Read a number with a unit as it would be read in an answer',
        response: 'Understood',
        body: ['text' => 'string', 'language' => 'string?', 'notations' => 'string[]?'],
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['text', 'language', 'notations'])->need('text');
        $notations = array_values(array_intersect(
            NumberReader::NOTATIONS,
            $fields->has('notations') ? array_filter($fields->list('notations', 10), is_string(...)) : NumberReader::NOTATIONS,
        ));
        try {
            $quantity = Quantity::read($fields->string('text', '', 1000), null, new NumberReader($fields->language(), $notations));
        } catch (UnitProblem $problem) {
            return new JsonResponse(['understood' => null, 'problem' => $problem->getMessage()]);
        }
        $isNumber = $quantity->number->value !== null;

        return new JsonResponse([
            'understood' => $isNumber ? $quantity->understood() : null,
            'problem' => $isNumber ? null : $quantity->number->sentence,
        ]);
    }
}
