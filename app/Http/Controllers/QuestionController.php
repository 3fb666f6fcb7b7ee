<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveQuestion;
use App\Http\OpenApi\Operation;
use App\Http\Requests\SaveQuestionRequest;
use App\Http\Resources\QuestionResource;
use App\Models\Question;
use App\Models\User;
use App\Support\IfMatch;
use App\Support\Problems;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;

final class QuestionController
{
    #[Operation('One question, whole; ETag is its revision', response: QuestionResource::class)]
    public function show(Request $request, Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $question->load('bank');

        return (new QuestionResource($question))->response()->header('ETag', "\"$question->revision\"");
    }

    #[Operation('Who changed what of a question’s record, the newest first')]
    public function changes(Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $rows = DB::table('changes')->leftJoin('users', 'users.id', '=', 'changes.user_id')->where('question_id', $question->id)->orderByDesc('changes.id')->limit(200)->get(['field', 'before', 'after', 'users.name AS person', 'changes.created_at AS at', 'act_id AS act']);

        return new JsonResponse(['data' => $rows->map(fn (\stdClass $row): array => [...(array) $row, 'before' => Json::decode(is_string($row->before) ? $row->before : 'null'), 'after' => Json::decode(is_string($row->after) ? $row->after : 'null')])]);
    }

    #[Operation('Save a new revision; If-Match names the one it was started from', response: QuestionResource::class, body: ['question' => 'object', 'note' => 'string?'])]
    public function update(SaveQuestionRequest $request, Question $question, SaveQuestion $save): JsonResponse
    {
        $user = User::asking($request);
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', 'Say with If-Match which revision this was started from.');
        }
        $content = $request->question();
        if ($content->id !== $question->id) {
            return Problems::json(422, 'question.other_id', 'The identifier is not that of the question at this address.', ['path' => '/question/id']);
        }
        if ($save->revise($content, $match, $user, $request->note()) === null) {
            return Problems::json(412, 'revision.superseded', 'Somebody has saved this question since you opened it. What you wrote is kept here; look at both and save again.', ['current_revision' => $question->revision]);
        }
        $stored = Question::query()->with('bank')->findOrFail($question->id);

        return (new QuestionResource($stored))->response()->header('ETag', "\"$stored->revision\"");
    }
}
