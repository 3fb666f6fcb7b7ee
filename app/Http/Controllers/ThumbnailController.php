<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Question;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Presentation\Thumbnail;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question as CoreQuestion;
use WideQuarry\Variables\RollProblem;

/** The small picture of a question that lists show. */
final class ThumbnailController
{
    #[Operation('A question as a small SVG, where it is told apart by a picture')]
    public function __invoke(Question $question, PartKinds $kinds): Response
    {
        Gate::authorize('view', $question);
        try {
            $svg = Thumbnail::of(CoreQuestion::read($question->json(), $kinds));
        } catch (RollProblem) {
            $svg = null; // what is wrong with its values is told where it is opened
        }

        return new Response($svg ?? abort(404), 200, [
            'Content-Type' => 'image/svg+xml',
            'Cache-Control' => 'private, max-age=604800, immutable', // its address names the revision
            'Content-Security-Policy' => "default-src 'none'; style-src 'unsafe-inline'; sandbox",
        ]);
    }
}
