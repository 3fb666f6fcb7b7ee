<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use App\Queries\Stimuli;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Checks\Completeness;
use WideQuarry\Json\Json;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Random\Seed;

/** What a learner would see of a question that need not be saved. */
final class PresentController
{
    #[Operation('Draw a question as a learner sees it', response: 'Presented', body: ['question' => 'object', 'seed' => 'integer?'])]
    public function __invoke(Request $request, Presenter $presenter, TryRequest $try): JsonResponse
    {
        [$question, $fields, $person] = $try->read($request, ['question', 'seed']);
        $seed = Seed::of($fields->int('seed', 1, 0, Seed::MAX));
        $completeness = new Completeness;
        $stimuli = Stimuli::shown($question->stimuli, $person);

        return new JsonResponse(
            Json::encode([
                'presentation' => $presenter->present($question, $seed, array_map(fn (\stdClass $one): string => $one->body, $stimuli)),
                'stimuli' => array_values(
                    array_map(
                        fn (\stdClass $one): array => [
                            'id' => $one->id,
                            'title' => $one->title,
                            'language' => $one->language,
                            'revision' => $one->revision,
                            'media' => $one->media,
                        ],
                        $stimuli,
                    ),
                ),
                'findings' => [...$completeness->findings($question), ...$completeness->failingSpecimens($question)],
                'roll' => $question->variables->roll($seed, $question->language),
            ]),
            json: true,
        );
    }
}
