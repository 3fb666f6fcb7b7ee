<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Json;
use WideQuarry\Study\RollStudy;

/** What the rolls of a question come to, before it is used. */
final class StudyController
{
    private const ROLLS = 10_000;

    private const SECONDS = 5.0;

    #[Operation(
        'Study the rolls of a question that need not be saved: what varies, what fails, what comes out the same',
        response: 'RollStudy',
        body: ['question' => 'object', 'rolls' => 'integer?'],
    )]
    public function __invoke(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'rolls']);

        return new JsonResponse(
            Json::encode(RollStudy::of($question, $fields->int('rolls', RollStudy::ROLLS, 1, self::ROLLS), self::SECONDS)),
            json: true,
        );
    }
}
