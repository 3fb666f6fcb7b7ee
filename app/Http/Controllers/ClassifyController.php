<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Classify;
use App\Actions\UndoAct;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\Question;
use App\Models\User;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Question\PathsChange;
use WideQuarry\Question\RecordChange;

final class ClassifyController
{
    private const MOST = 50_000;

    #[Operation('Change records, topics and folders of questions: those named, or all that meet a filter', body: ['ids' => 'string[]?', 'filter' => 'string?', 'record' => 'object?', 'topics' => 'object?', 'folders' => 'object?'])]
    public function store(Request $request, Bank $bank, Classify $classify, QuestionSearch $search): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['ids', 'filter', 'record', 'topics', 'folders']);
        $change = RecordChange::read($fields->has('record') ? $fields->raw('record') : new \stdClass, '/record');
        $ids = [];
        foreach ($fields->list('ids', self::MOST) as $i => $id) {
            $ids[] = Fields::asUuid($id, "/ids/$i");
        }
        if ($fields->has('filter')) {
            $ids = $search->ids(Scope::bank($bank->id), QuestionFilter::fromQuery($fields->string('filter', '', 20_000)));
        }

        return new JsonResponse($classify->handle($bank->id, $ids, $change, PathsChange::read($fields->object('topics', ['set', 'add', 'remove'])), PathsChange::read($fields->object('folders', ['set', 'add', 'remove'])), User::asking($request)));
    }

    #[Operation('Undo an act of one’s own: what is still as it left it is put back')]
    public function undo(Request $request, string $act, UndoAct $undo): JsonResponse
    {
        $stored = DB::table('acts')->where('id', $act)->where('user_id', User::asking($request)->id)->first();
        $banks = DB::table('changes')->join('questions', 'questions.id', '=', 'changes.question_id')->where('act_id', $act)->distinct()->pluck('questions.bank_id');
        if ($stored === null) {
            abort(404);
        }
        foreach (Bank::query()->whereIn('id', $banks)->get() as $bank) {
            Gate::authorize('write', $bank);
        }

        return new JsonResponse($undo->handle($act, User::asking($request)));
    }

    #[Operation('Who changed what of a question’s record, the newest first')]
    public function log(Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $rows = DB::table('changes')->leftJoin('users', 'users.id', '=', 'changes.user_id')->where('question_id', $question->id)->orderByDesc('changes.id')->limit(200)->get(['field', 'before', 'after', 'users.name AS person', 'changes.created_at AS at', 'act_id AS act']);

        return new JsonResponse(['data' => $rows->map(fn (\stdClass $row): array => [...(array) $row, 'before' => Json::decode(is_string($row->before) ? $row->before : 'null'), 'after' => Json::decode(is_string($row->after) ? $row->after : 'null')])]);
    }
}
