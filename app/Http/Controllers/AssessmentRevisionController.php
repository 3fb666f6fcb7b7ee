<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\SaveAssessment;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\AssessmentResource;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\AssessmentHistory;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** What an assessment was like, and that it is so again. */
final class AssessmentRevisionController
{
    #[Operation(
        'The revisions of an assessment with what was changed, the newest first (?before=NUMBER)',
        response: ['data' => 'AssessmentRevision[]'],
    )]
    public function index(Request $request, Assessment $assessment, AssessmentHistory $history): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $range = ['options' => ['min_range' => 1, 'max_range' => 2_000_000_000]];
        $before = filter_var($request->query('before'), FILTER_VALIDATE_INT, $range);

        return new JsonResponse(['data' => $history->of($assessment, User::asking($request), $before === false ? null : $before)]);
    }

    #[Operation('Bring a revision back as the newest; If-Match names the version that is there', response: ['data' => 'Assessment'])]
    public function restore(Request $request, Assessment $assessment, string $revision, SaveAssessment $save): JsonResponse
    {
        Gate::authorize('update', $assessment);
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-version-started'));
        }
        $number = filter_var($revision, FILTER_VALIDATE_INT, ['options' => ['max_range' => 2_000_000_000]]);
        $content = DB::table('assessment_revisions')->where('assessment_id', $assessment->id)->where('number', $number)->value('content');
        $json = is_string($content) ? Json::decode($content) : null;
        if (! $json instanceof \stdClass || ! is_int($number)) {
            abort(404);
        }
        if (! $save->revise($assessment, $json, $match, User::asking($request), $number)) {
            return Problems::superseded($assessment->version);
        }

        return (new AssessmentResource($assessment->refresh()))->response()->header('ETag', "\"$assessment->version\"");
    }
}
