<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Graph\DrawnGraph;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\RollProblem;
use WideQuarry\Variables\Variables;

/** A grid and figures on it as they are being drawn: as pictures and in words. Nothing is stored, and nothing is marked. */
final class GraphController
{
    #[Operation(
        'Draw a grid and figures on it, and say them in words; wanted: what rules of a key are about',
        response: 'DrawnGraph',
        body: [
            'settings' => 'object', 'figures' => 'object[]?', 'wanted' => 'object[]?', 'variables' => 'object?', 'language' => 'string?',
            'seed' => 'integer?',
        ],
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $body = Json::decode($request->getContent());
        $fields = Fields::of($body, '', ['settings', 'figures', 'wanted', 'variables', 'language', 'seed'])->need('settings');
        $seed = Seed::of($fields->int('seed', 1, 0, Seed::MAX));
        try {
            $roll = Variables::read($fields->raw('variables'), '/variables')->roll($seed, $fields->language());
        } catch (RollProblem) {
            $roll = new Roll; // what is wrong with the values is told where they are
        }
        $graph = DrawnGraph::of($fields->raw('settings'), $roll, $fields->language());

        return new JsonResponse(Json::encode([
            'shown' => $graph->shown(),
            'figures' => $graph->figures($fields->list('figures', 100)),
            'wanted' => $graph->wanted($fields->list('wanted', 100)),
        ]), json: true);
    }
}
