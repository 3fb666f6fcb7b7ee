<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Json;
use WideQuarry\Scoring\Attempt;
use WideQuarry\Scoring\Scorer;

final class ScoreController
{
    #[Operation(
        'Score a response',
        response: 'ScoreResult',
        body: [
            'question' => 'object',
            'response' => 'object',
            'marks' => 'object?',
            'seed' => 'integer?',
            'earlier_wrong' => 'integer?',
            'hints' => 'integer?',
            'points' => 'number?',
        ],
    )]
    public function __invoke(Request $request, Scorer $scorer, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'response', 'marks', 'seed', 'earlier_wrong', 'hints', 'points']);

        return new JsonResponse(Json::encode($scorer->score($question, Attempt::read($fields))), json: true);
    }
}
