<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Json;
use WideQuarry\Specimens\MarkerAgreement;

/** How far those who marked the specimens of a question agree. */
final class AgreementController
{
    #[Operation(
        'Compare the marks people gave the same specimens',
        response: ['data' => 'MarkerAgreement[]'],
        body: ['question' => 'object'],
    )]
    public function __invoke(Request $request, TryRequest $try): JsonResponse
    {
        [$question] = $try->read($request, ['question']);

        return new JsonResponse(Json::encode(['data' => MarkerAgreement::of($question)]), json: true);
    }
}
