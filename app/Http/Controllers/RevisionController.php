<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Http\Resources\Revisions;
use App\Models\Question;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The revisions of a question: who saved what, when and why. */
final class RevisionController
{
    #[Operation('The revisions of a question, the newest first', response: ['data' => 'Revision[]'])]
    public function index(Question $question): JsonResponse
    {
        Gate::authorize('view', $question);

        return Revisions::of('question', $question->id)->list();
    }

    #[Operation(
        'One revision: its content, and what differs from the one before it (or from the revision named by since)',
        response: ['number' => 'integer', 'content' => 'QuestionJson', 'differences' => 'Difference[]'],
    )]
    public function show(Request $request, Question $question, int $number): JsonResponse
    {
        Gate::authorize('view', $question);

        return Revisions::of('question', $question->id)->one($number, $request->query('since'));
    }
}
