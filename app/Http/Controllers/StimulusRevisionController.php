<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Http\Resources\Revisions;
use App\Models\Stimulus;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;

/** The revisions of a stimulus: who saved what, when and why. */
final class StimulusRevisionController
{
    #[Operation('The revisions of a stimulus, the newest first', response: ['data' => 'Revision[]'])]
    public function index(Stimulus $stimulus): JsonResponse
    {
        Gate::authorize('view', $stimulus);

        return Revisions::of('stimulus', $stimulus->id)->list();
    }

    #[Operation(
        'One revision of a stimulus: its content, and what differs from the one before it (or from the revision named by since)',
        response: ['number' => 'integer', 'content' => 'StimulusJson', 'differences' => 'Difference[]'],
    )]
    public function show(Request $request, Stimulus $stimulus, int $number): JsonResponse
    {
        Gate::authorize('view', $stimulus);

        return Revisions::of('stimulus', $stimulus->id)->one($number, $request->query('since'));
    }
}
