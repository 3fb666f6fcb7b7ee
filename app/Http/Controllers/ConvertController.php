<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveQuestion;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\Question as Stored;
use App\Support\TryRequest;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Content\Pieces;
use WideQuarry\Converting\AnswerTable;
use WideQuarry\Converting\Conversions;
use WideQuarry\Converting\FaultyText;
use WideQuarry\Converting\JudgedList;
use WideQuarry\Documents\Cells;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Parts\Parts;
use WideQuarry\Question\Question;
use WideQuarry\Question\Replacement;

/** Turns what is written into other kinds; nothing is stored but where a list is split. */
final class ConvertController
{
    #[Operation('What a part can become: the question as it would be, and what could not be carried', body: ['question' => 'object', 'part' => 'string'])]
    public function offers(Request $request, TryRequest $try, Conversions $conversions): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'part']);
        $id = $fields->id('part');
        $kind = $question->part($id)->kindName ?? '';

        return new JsonResponse(Json::encode(['offers' => array_map(function (string $to) use ($conversions, $question, $id): array {
            $converted = $conversions->convert($question, $id, $to);

            return ['to' => $to, 'question' => $converted->question, 'losses' => $converted->losses];
        }, $conversions->offers($kind))]), json: true);
    }

    #[Operation('A run of true–false questions as one list of statements to judge; nothing is stored', body: ['questions' => 'uuid[]'])]
    public function join(Request $request, Parts $kinds): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['questions'])->need('questions');
        $questions = [];
        foreach ($fields->list('questions', 200) as $i => $id) {
            $stored = Stored::query()->find(Fields::asUuid($id, "/questions/$i")) ?? abort(404);
            Gate::authorize('view', $stored);
            $questions[] = Question::read($stored->json(), $kinds);
        }
        $converted = JudgedList::join($questions, (string) Str::uuid7());

        return new JsonResponse(Json::encode(['question' => $converted->question, 'losses' => $converted->losses]), json: true);
    }

    #[Operation('A list of statements as true–false questions; stored as drafts in a bank unless only asked for', body: ['question' => 'object', 'store' => 'boolean?'])]
    public function split(Request $request, Bank $bank, TryRequest $try, SaveQuestion $save, Parts $kinds): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$question, $fields, $person] = $try->read($request, ['question', 'store']);
        [$questions, $losses] = JudgedList::split($question, fn (): string => (string) Str::uuid7());
        if ($fields->bool('store', false)) {
            DB::transaction(function () use ($questions, $bank, $save, $kinds, $person): void {
                foreach ($questions as $json) {
                    $save->create(Question::read(Json::decode(Json::encode($json)), $kinds), $bank->id, $person, 'split off a list of statements');
                }
            });
        }

        return new JsonResponse(Json::encode(['questions' => array_map(fn (\stdClass $json): mixed => $json->id, $questions), 'losses' => $losses]), json: true);
    }

    #[Operation('Cells pasted from a spreadsheet, as rows', body: ['text' => 'string'])]
    public function cells(Request $request): JsonResponse
    {
        return new JsonResponse(['rows' => Cells::read(Fields::of(Json::decode($request->getContent()), '', ['text'])->need('text')->string('text', '', 500_000))]);
    }

    #[Operation('A text with every word that is in no piece yet made one', body: ['text' => 'string'])]
    public function pieces(Request $request): JsonResponse
    {
        return new JsonResponse(['text' => Pieces::everyWord(Fields::of(Json::decode($request->getContent()), '', ['text'])->need('text')->string('text', '', 200_000))]);
    }

    #[Operation('Words found in a question, each with what stands around it, and the question with those replaced that were picked (all when none are named)', body: ['question' => 'object', 'find' => 'string', 'with' => 'string?', 'case' => 'boolean?', 'whole' => 'boolean?', 'only' => 'integer[]?'])]
    public function replace(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'find', 'with', 'case', 'whole', 'only']);
        $only = $fields->raw('only') === null ? null : array_values(array_filter($fields->list('only', 10_000), is_int(...)));

        return new JsonResponse(Json::encode(Replacement::in($question->toJson(), $fields->string('find', '', 500), $fields->string('with', '', 2000), $fields->bool('case', false), $fields->bool('whole', false), $only)), json: true);
    }

    #[Operation('A faulty text beside the right one, as a text to mend', body: ['faulty' => 'string', 'right' => 'string'])]
    public function faults(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['faulty', 'right'])->need('faulty')->need('right');
        [$text, $rules] = FaultyText::make($fields->string('faulty', '', 20_000), $fields->string('right', '', 20_000));

        return new JsonResponse(Json::encode(['text' => $text, 'rules' => $rules]), json: true);
    }

    #[Operation('A table some of whose cells are answers', body: ['rows' => 'object[]', 'answers' => 'object[]?', 'kind' => 'string?', 'points' => 'number?', 'header' => 'boolean?', 'side' => 'boolean?', 'taken' => 'string[]?'])]
    public function table(Request $request): JsonResponse
    {
        [$html, $parts] = AnswerTable::read(Json::decode($request->getContent()));

        return new JsonResponse(Json::encode(['html' => $html, 'parts' => $parts]), json: true);
    }
}
