<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Checks\RubricCheck;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Marking\Rubric;
use WideQuarry\Marking\RubricText;
use WideQuarry\Numbers\Exact;

/** The most a rubric gives, and what keeps people from marking alike by it. */
final class RubricCheckController
{
    #[Operation(
        'Check a rubric',
        response: ['highest' => 'string', 'findings' => 'Finding[]'],
        body: ['rubric' => 'object', 'points' => 'number?'],
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['rubric', 'points'])->need('rubric');
        $rubric = Rubric::read($fields->raw('rubric'), '/rubric');
        $points = $fields->decimalOrNull('points', '100000');

        return new JsonResponse(
            Json::encode([
                'highest' => RubricText::number($rubric->highest()),
                'findings' => RubricCheck::of($rubric, $points === null ? null : Exact::of($points)),
            ]),
            json: true,
        );
    }
}
