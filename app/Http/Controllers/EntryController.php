<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\SaveAssessment;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\AssessmentResource;
use App\Models\Assessment;
use App\Models\Question;
use App\Models\User;
use App\Queries\AssessmentEntries;
use App\Queries\ExchangeableQuestions;
use App\Queries\PoolRows;
use App\Queries\QuestionUses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\DrawSource;
use WideQuarry\Assembly\Pick;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\Differences;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question as CoreQuestion;
use WideQuarry\Random\Seed;

/** One question of an assessment: as it is asked here, as it was when it was last looked at, and varied only here. */
final class EntryController
{
    /** So many drawings are made to see how often each question comes. */
    private const DRAWINGS = 10;

    #[Operation(
        'A question as it is asked here, as it was when last looked at, and where else it is used',
        response: ['data' => 'WholeEntry'],
    )]
    public function show(Request $request, Assessment $assessment, string $entry, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $user = User::asking($request);
        [$pick, $entries] = $this->entry($assessment, $entry, $user, $kinds);
        $asked = $entries->questions()[$entry] ?? abort(404);
        $isReadable = $entries->bankOf($pick) !== null;
        // A question that is gone or was never theirs to read gives nothing away: only the variation, which belongs to the assessment.
        $stored = $isReadable ? Question::query()->where('id', $pick->question)->first() : null;
        $before =
            $isReadable && $pick->seen !== null
                ? DB::table('revisions')->where('question_id', $pick->question)->where('number', $pick->seen)->value('content')
                : null;
        $before = is_string($before) ? Json::decode($before) : null;
        $origin = $pick->variation === null ? null : $stored?->json();
        $since = fn (mixed $other): ?array => $other instanceof \stdClass ? Differences::between($other, $asked->content()) : null;

        return new JsonResponse(
            Json::encode([
                'data' => [
                    'question' => $asked->content(),
                    'bank' => $entries->bankOf($pick),
                    'varied' => $pick->variation !== null,
                    'version' => $assessment->version,
                    'origin' => $origin,
                    'before' => $before,
                    'changes' => ['before' => $since($before), 'origin' => $since($origin)],
                    'may_write' => $stored !== null && Gate::allows('update', $stored),
                    'uses' => $isReadable ? QuestionUses::of($pick->question, $user) : ['assessments' => [], 'others' => 0],
                ],
            ]),
            json: true,
        );
    }

    #[Operation(
        'Ask the question otherwise, only here; null asks it as its bank has it again',
        response: ['data' => 'Assessment'],
        body: ['question' => 'object?'],
    )]
    public function update(Request $request, Assessment $assessment, string $entry, SaveAssessment $save, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('update', $assessment);
        $raw = Fields::of(Json::decode($request->getContent()), '', ['question', 'note'])->raw('question');
        $question = $raw === null ? null : self::varied(CoreQuestion::read($raw, $kinds));
        $json = $assessment->document()->varied($entry, $question) ?? abort(404);
        // The entry is put into the version that was read here, so that version has to be the one the person saw.
        if (
            IfMatch::of($request) !== $assessment->version ||
            ! $save->revise($assessment, $json, $assessment->version, User::asking($request))
        ) {
            return Problems::json(
                412,
                'revision.superseded',
                Message::of('app.http.controllers.someone-else-changed-assessment-since'),
                ['current_revision' => $assessment->version],
            );
        }

        return (new AssessmentResource($assessment->refresh()))->response()->header('ETag', "\"$assessment->version\"");
    }

    /** A question as an assessment holds it: whole, without a record of its own. */
    private static function varied(CoreQuestion $given): \stdClass
    {
        $question = Canonical::of($given->toJson())[0];
        $question->language ??= $given->language;
        unset($question->record);

        return $question;
    }

    #[Operation('The nearest other questions that could stand here', response: ['data' => 'ExchangeableQuestion[]'])]
    public function others(Request $request, Assessment $assessment, string $entry): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $document = $assessment->document();
        $pick = array_values(array_filter($document->picks(), fn (Pick $one): bool => $one->id === $entry))[0] ?? abort(404);

        return new JsonResponse(['data' => ExchangeableQuestions::of($document, $pick, User::asking($request))]);
    }

    #[Operation(
        'The pool of a draw, the drawing that a seed gives, and how often each question comes in the ten from there on',
        response: ['data' => 'SampleDraw'],
    )]
    public function draw(Request $request, Assessment $assessment, string $entry): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $document = $assessment->document();
        $draw = array_values(array_filter($document->draws(), fn (Draw $one): bool => $one->id === $entry))[0] ?? abort(404);
        $seed = min(max(0, $request->integer('seed', 1)), Seed::MAX - self::DRAWINGS);
        $drawings = array_map(fn (int $i): array => $draw->drawn(Seed::of($seed + $i)), range(0, self::DRAWINGS - 1));
        $often = array_count_values(array_merge(...$drawings));
        $rows = PoolRows::of($draw, $drawings[0], User::asking($request));

        return new JsonResponse(
            Json::encode([
                'data' => [
                    'pool' => array_map(fn (array $row): array => [...$row, 'often' => $often[$row['id']] ?? 0], $rows),
                    'drawn' => $drawings[0],
                    'sources' => array_map(fn (DrawSource $source): array => $source->pool, $draw->sources),
                ],
            ]),
            json: true,
        );
    }

    /** @return array{Pick, AssessmentEntries} */
    private function entry(Assessment $assessment, string $entry, User $user, PartKinds $kinds): array
    {
        $document = $assessment->document();
        foreach ($document->picks() as $pick) {
            if ($pick->id === $entry) {
                return [$pick, AssessmentEntries::of($document, $user, $kinds)];
            }
        }
        abort(404);
    }
}
