<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Marking\RubricScheme;
use WideQuarry\Marking\RubricTable;

/** Cells pasted from a spreadsheet as criteria of a rubric. */
final class RubricCellsController
{
    #[Operation('Read cells as criteria and levels', response: 'RubricCells', body: ['text' => 'string', 'scheme' => 'string?'])]
    public function __invoke(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['text', 'scheme'])->need('text');
        $scheme = $fields->oneOf('scheme', array_column(RubricScheme::cases(), 'value'), RubricScheme::Analytic->value);

        return new JsonResponse(
            Json::encode(RubricTable::read($fields->string('text', '', 200_000), RubricScheme::from($scheme))),
            json: true,
        );
    }
}
