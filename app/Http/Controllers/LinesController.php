<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Documents\OptionLines;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Pasted lines as options. */
final class LinesController
{
    #[Operation(
        'Take numbering, letters and bullets off pasted lines; and the pairs they hold, where each holds two things',
        response: 'PastedLines',
        body: ['text' => 'string'],
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $text = Fields::of(Json::decode($request->getContent()), '', ['text'])
            ->need('text')
            ->string('text', '', 500_000);

        return new JsonResponse(['lines' => OptionLines::clean($text), 'pairs' => OptionLines::pairs($text)]);
    }
}
