<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Queries\QuestionFindings;
use App\Queries\Stimuli;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Random\Seed;
use WideQuarry\Variables\RollProblem;

/** What a learner would see of a question that need not be saved, what is found in it, and why it cannot be shown where it cannot. */
final class PresentController
{
    #[Operation(
        'Draw a question as a learner sees it',
        response: 'Presented',
        body: ['question' => 'object', 'seed' => 'integer?', 'bank' => 'string?'],
    )]
    public function __invoke(Request $request, Presenter $presenter, TryRequest $try): JsonResponse
    {
        [$question, $fields, $person] = $try->read($request, ['question', 'seed', 'bank']);
        $seed = Seed::of($fields->int('seed', 1, 0, Seed::MAX));
        $bank = $fields->has('bank') ? Bank::query()->where('slug', $fields->string('bank', '', 100))->first() : null;
        $bank = $bank !== null && Gate::allows('view', $bank) ? $bank->id : null;
        $stimuli = Stimuli::shown($question->stimuli, $person);

        $problem = null;
        try {
            $roll = $question->variables->roll($seed, $question->language);
            $shown = $presenter->present($question, $seed, array_map(fn (\stdClass $one): string => $one->body, $stimuli));
        } catch (RollProblem $found) {
            [$roll, $shown, $problem] = [null, null, $found->getMessage()];
        }

        return new JsonResponse(
            Json::encode([
                'presentation' => $shown,
                'problem' => $problem,
                'stimuli' => array_values(array_map(self::about(...), $stimuli)),
                'findings' => QuestionFindings::of($question, $bank),
                'roll' => $roll,
            ]),
            json: true,
        );
    }

    /** @return array<string, mixed> */
    private static function about(\stdClass $stimulus): array
    {
        return [
            'id' => $stimulus->id,
            'title' => $stimulus->title,
            'language' => $stimulus->language,
            'revision' => $stimulus->revision,
            'media' => $stimulus->media,
        ];
    }
}
