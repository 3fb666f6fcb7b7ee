<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\ChangeState;
use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\AssessmentResource;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\ReadyQuestions;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Whether an assessment is a draft, ready, used or archived. */
final class AssessmentStateController
{
    #[Operation('What keeps an assessment from being ready, and what should be looked at first', response: ['data' => 'Finding[]'])]
    public function check(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $findings = ReadyQuestions::check($assessment->document(), User::asking($request));

        return new JsonResponse(Json::encode(['data' => $findings]), json: true);
    }

    #[Operation(
        'Make it draft, ready, used (with date and group; again for a second time), unused after all, or archived; If-Match names the '.
            'version',
        response: ['data' => 'Assessment'],
        body: ['state' => 'string', 'date' => 'string?', 'group' => 'string?'],
    )]
    public function update(Request $request, Assessment $assessment, ChangeState $change): JsonResponse
    {
        Gate::authorize('changeState', $assessment);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['state', 'date', 'group'])->need('state');
        $state = $fields->oneOf('state', ['draft', 'ready', 'used', 'unused', 'archived'], '');
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-version-started'));
        }
        $person = User::asking($request);
        $isDone = $match === $assessment->version && match ($state) {
            'used' => $change->used($assessment, $match, self::date($fields), self::group($fields), $person),
            'unused' => $change->unused($assessment, $match, $person),
            default => $change->change($assessment, $match, $state, $person),
        };
        if (! $isDone) {
            return Problems::superseded($assessment->version);
        }

        return (new AssessmentResource($assessment->refresh()))->response()->header('ETag', "\"$assessment->version\"");
    }

    private static function date(Fields $fields): string
    {
        $given = $fields->string('date', '', 10);
        $date = \DateTimeImmutable::createFromFormat('!Y-m-d', $given);
        $year = $date === false ? 0 : (int) $date->format('Y');

        return $date !== false && $date->format('Y-m-d') === $given && $year >= 1900 && $year <= 2200
            ? $given
            : throw Refused::because('assessment.date', Message::of('app.http.controllers.assessment-used-when'), '/date');
    }

    private static function group(Fields $fields): string
    {
        $group = trim($fields->string('group', '', 200));

        return $group !== ''
            ? $group
            : throw Refused::because('assessment.group', Message::of('app.http.controllers.assessment-used-with'), '/group');
    }
}
