<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Question;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Json;
use WideQuarry\Question\Differences;

/** The revisions of a question: who saved what, when and why. */
final class RevisionController
{
    #[Operation('The revisions of a question, the newest first')]
    public function index(Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $rows = DB::table('revisions')->leftJoin('users', 'users.id', '=', 'revisions.author_id')->where('question_id', $question->id)->orderByDesc('number')->limit(500)->get(['number', 'note', 'users.name AS person', 'revisions.created_at AS at']);

        return new JsonResponse(['data' => $rows]);
    }

    #[Operation('One revision: its content, and what differs from the one before it (or from the revision named by since)')]
    public function show(Question $question, int $number): JsonResponse
    {
        Gate::authorize('view', $question);
        $content = fn (int $of): ?string => is_string($stored = DB::table('revisions')->where('question_id', $question->id)->where('number', $of)->value('content')) ? $stored : null;
        $since = request()->query('since');
        $here = $content($number) ?? abort(404);
        $before = $content(is_string($since) && ctype_digit($since) ? (int) $since : $number - 1);
        $json = Json::decode($here);
        $earlier = $before === null ? new \stdClass : Json::decode($before);
        assert($json instanceof \stdClass && $earlier instanceof \stdClass);

        return new JsonResponse(Json::encode(['number' => $number, 'content' => $json, 'differences' => $before === null ? [] : Differences::between($earlier, $json)]), json: true);
    }
}
