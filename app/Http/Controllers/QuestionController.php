<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\KeepRevision;
use App\Actions\SaveQuestion;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Requests\SaveQuestionRequest;
use App\Http\Resources\QuestionResource;
use App\Models\Assessment;
use App\Models\Question;
use App\Models\User;
use App\Queries\QuestionUses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

final class QuestionController
{
    #[Operation('One question, whole; ETag is its revision', response: ['data' => 'WholeQuestion'])]
    public function show(Request $request, Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $question->load('bank');

        return (new QuestionResource($question))->response()->header('ETag', "\"$question->revision\"");
    }

    #[Operation('The assessments that follow a question: they ask its newest revision', response: ['data' => 'Follower[]'])]
    public function followers(Request $request, Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $person = User::asking($request);
        $uses = QuestionUses::of($question->id, $person)['assessments'];
        $following = Assessment::query()
            ->findMany(array_column($uses, 'id'))
            ->filter(fn (Assessment $one): bool => $one->stored()->follows($question->id));

        return new JsonResponse([
            'data' => $following
                ->map(
                    fn (Assessment $one): array => ['id' => $one->id, 'title' => $one->title, 'may_write' => $person->can('update', $one)],
                )
                ->values(),
        ]);
    }

    #[Operation(
        'Keep a question at a revision in the assessments that follow it and that one may edit',
        response: ['data' => 'KeptCount'],
        body: ['revision' => 'integer'],
    )]
    public function keep(Request $request, Question $question, KeepRevision $keep): JsonResponse
    {
        Gate::authorize('view', $question);
        $revision = Fields::of(Json::decode($request->getContent()), '', ['revision'])
            ->need('revision')
            ->int('revision', 1, 1, $question->revision);

        return new JsonResponse(['data' => ['kept' => $keep->handle($question->id, $revision, User::asking($request))]]);
    }

    #[Operation('Who changed what of a question’s record, the newest first', response: ['data' => 'ClassificationChange[]'])]
    public function changes(Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $rows = DB::table('changes')
            ->leftJoin('users', 'users.id', '=', 'changes.user_id')
            ->where('question_id', $question->id)
            ->orderByDesc('changes.id')
            ->limit(200)
            ->get(['field', 'before', 'after', 'users.name AS person', 'changes.created_at AS at', 'operation_id AS act']);

        return new JsonResponse([
            'data' => $rows->map(
                fn (\stdClass $row): array => [
                    ...(array) $row,
                    'before' => Json::decode(is_string($row->before) ? $row->before : 'null'),
                    'after' => Json::decode(is_string($row->after) ? $row->after : 'null'),
                ],
            ),
        ]);
    }

    #[Operation(
        'Save a new revision; If-Match names the one it was started from',
        response: ['data' => 'WholeQuestion'],
        body: ['question' => 'object', 'note' => 'string?'],
    )]
    public function update(SaveQuestionRequest $request, Question $question, SaveQuestion $save): JsonResponse
    {
        $user = User::asking($request);
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-revision-started'));
        }
        $content = $request->question();
        if ($content->id !== $question->id) {
            return Problems::json(422, 'question.other_id', Message::of('app.http.controllers.identifier-not-question-address'), [
                'path' => '/question/id',
            ]);
        }
        if ($save->revise($content, $match, $user, $request->note()) === null) {
            return Problems::json(
                412,
                'revision.superseded',
                Message::of('app.http.controllers.someone-else-saved-question'),
                ['current_revision' => $question->revision],
            );
        }
        $stored = Question::query()->with('bank')->findOrFail($question->id);

        return (new QuestionResource($stored))->response()->header('ETag', "\"$stored->revision\"");
    }
}
