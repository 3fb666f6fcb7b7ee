<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveQuestion;
use App\Http\Input\TryRequest;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\Question as Stored;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Content\Pieces;
use WideQuarry\Converting\AnswerTable;
use WideQuarry\Converting\Conversions;
use WideQuarry\Converting\FaultyText;
use WideQuarry\Documents\SpreadsheetCells;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Parts\Choice\TrueFalseList;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\Replacement;
use WideQuarry\Question\VersionMerge;

/** Turns what is written into other kinds; nothing is stored but where a list is split. */
final class ConvertController
{
    #[Operation(
        'What differs between two versions of a question, and one made of mine and what is chosen of theirs',
        response: ['fields' => 'MergedField[]', 'question' => 'QuestionJson'],
        body: ['mine' => 'object', 'theirs' => 'object', 'chosen' => 'string[]?'],
    )]
    public function merge(Request $request, PartKinds $kinds): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['mine', 'theirs', 'chosen'])
            ->need('mine')
            ->need('theirs');
        $merging = new VersionMerge(
            Question::read($fields->raw('mine'), $kinds)->content(),
            Question::read($fields->raw('theirs'), $kinds)->content(),
        );
        $chosen = $fields->list('chosen', 300);
        foreach ($chosen as $i => $field) {
            if (! is_string($field)) {
                throw Malformed::wrongType("/chosen/$i", Message::of('app.http.controllers.name-field'), $field);
            }
        }

        return new JsonResponse(Json::encode(['fields' => $merging->fields(), 'question' => $merging->with($chosen)]), json: true);
    }

    #[Operation(
        'What a part can become: the question as it would be, and what could not be carried',
        response: ['offers' => 'ConversionOffer[]'],
        body: ['question' => 'object', 'part' => 'string'],
    )]
    public function offers(Request $request, TryRequest $try, Conversions $conversions): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'part']);
        $id = $fields->id('part');
        $offers = [];
        foreach ($conversions->all($question, $id) as $to => $converted) {
            $converted->question->language ??= Fields::UNKNOWN_LANGUAGE;
            $offers[] = ['to' => $to, 'question' => $converted->question, 'losses' => $converted->losses];
        }

        return new JsonResponse(Json::encode(['offers' => $offers]), json: true);
    }

    #[Operation(
        'A run of true–false questions as one list of statements to judge; nothing is stored',
        response: ['question' => 'QuestionJson', 'losses' => 'string[]'],
        body: ['questions' => 'uuid[]'],
    )]
    public function join(Request $request, PartKinds $kinds): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['questions'])->need('questions');
        $questions = [];
        foreach ($fields->list('questions', 200) as $i => $id) {
            $stored = Stored::query()->find(Fields::asUuid($id, "/questions/$i")) ?? abort(404);
            Gate::authorize('view', $stored);
            $questions[] = Question::read($stored->json(), $kinds);
        }
        $converted = TrueFalseList::join($questions, (string) Str::uuid7());

        return new JsonResponse(Json::encode(['question' => $converted->question, 'losses' => $converted->losses]), json: true);
    }

    #[Operation(
        'A list of statements as true–false questions; stored as drafts in a bank unless only asked for',
        response: ['questions' => 'string[]', 'losses' => 'string[]'],
        body: ['question' => 'object', 'store' => 'boolean?'],
    )]
    public function split(Request $request, Bank $bank, TryRequest $try, SaveQuestion $save, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$question, $fields, $person] = $try->read($request, ['question', 'store']);
        [$questions, $losses] = TrueFalseList::split($question, fn (): string => (string) Str::uuid7());
        if ($fields->bool('store', false)) {
            DB::transaction(function () use ($questions, $bank, $save, $kinds, $person): void {
                foreach ($questions as $json) {
                    $save->create(
                        Question::read(Json::decode(Json::encode($json)), $kinds),
                        $bank->id,
                        $person,
                        'split off a list of statements',
                    );
                }
            });
        }

        return new JsonResponse(
            Json::encode(['questions' => array_map(fn (\stdClass $json): mixed => $json->id, $questions), 'losses' => $losses]),
            json: true,
        );
    }

    #[Operation('Cells pasted from a spreadsheet, as rows', response: ['rows' => 'string[][]'], body: ['text' => 'string'])]
    public function cells(Request $request): JsonResponse
    {
        return new JsonResponse([
            'rows' => SpreadsheetCells::read(
                Fields::of(Json::decode($request->getContent()), '', ['text'])
                    ->need('text')
                    ->string('text', '', 500_000),
            ),
        ]);
    }

    #[Operation('A text with every word that is in no piece yet made one', response: ['text' => 'string'], body: ['text' => 'string'])]
    public function pieces(Request $request): JsonResponse
    {
        return new JsonResponse([
            'text' => Pieces::everyWord(
                Fields::of(Json::decode($request->getContent()), '', ['text'])
                    ->need('text')
                    ->string('text', '', 200_000),
            ),
        ]);
    }

    #[Operation(
        'Words found in a question, each with what stands around it, and the question with those replaced that were picked '
            .'(all when none are named)',
        response: ['question' => 'QuestionJson', 'places' => 'FoundPlace[]'],
        body: [
            'question' => 'object',
            'find' => 'string',
            'with' => 'string?',
            'case' => 'boolean?',
            'whole' => 'boolean?',
            'only' => 'integer[]?',
        ],
    )]
    public function replace(Request $request, TryRequest $try): JsonResponse
    {
        [$question, $fields] = $try->read($request, ['question', 'find', 'with', 'case', 'whole', 'only']);
        $only = $fields->raw('only') === null ? null : array_values(array_filter($fields->list('only', 10_000), is_int(...)));

        return new JsonResponse(
            Json::encode(
                Replacement::in(
                    $question->toJson(),
                    $fields->string('find', '', 500),
                    $fields->string('with', '', 2000),
                    $fields->bool('case', false),
                    $fields->bool('whole', false),
                    $only,
                ),
            ),
            json: true,
        );
    }

    #[Operation(
        'A faulty text beside the right one, as a text to mend',
        response: ['text' => 'string', 'rules' => 'Rule[]'],
        body: ['faulty' => 'string', 'right' => 'string'],
    )]
    public function faults(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['faulty', 'right'])
            ->need('faulty')
            ->need('right');
        [$text, $rules] = FaultyText::make($fields->string('faulty', '', 20_000), $fields->string('right', '', 20_000));

        return new JsonResponse(Json::encode(['text' => $text, 'rules' => $rules]), json: true);
    }

    #[Operation(
        'A table some of whose cells are answers',
        response: ['html' => 'string', 'parts' => 'Part[]'],
        body: [
            'rows' => 'object[]',
            'answers' => 'object[]?',
            'kind' => 'string?',
            'points' => 'number?',
            'header' => 'boolean?',
            'side' => 'boolean?',
            'taken' => 'string[]?',
        ],
    )]
    public function table(Request $request, PartKinds $kinds): JsonResponse
    {
        [$html, $parts] = AnswerTable::read(Json::decode($request->getContent()), $kinds);

        return new JsonResponse(Json::encode(['html' => $html, 'parts' => $parts]), json: true);
    }
}
