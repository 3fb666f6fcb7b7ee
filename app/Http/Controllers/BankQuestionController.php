<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveQuestion;
use App\Http\Errors\Problems;
use App\Http\Input\NewId;
use App\Http\OpenApi\Operation;
use App\Http\Requests\SaveQuestionRequest;
use App\Http\Resources\QuestionResource;
use App\Http\Resources\QuestionRowResource;
use App\Models\Bank;
use App\Models\Question;
use App\Models\User;
use App\Search\QuestionFilter;
use App\Search\QuestionRows;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Database\UniqueConstraintViolationException;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Messages\Message;

final class BankQuestionController
{
    /** A list counts no further than this, and not at all where counting would take longer than finding. */
    private const COUNTED = 1_000;

    #[Operation(
        'Questions of a bank that meet a filter, 60 a page; the first page counts up to 1,000 where that is quick, and else gives null',
        response: 'QuestionPage',
    )]
    public function index(Request $request, Bank $bank, QuestionSearch $search): AnonymousResourceCollection
    {
        $filter = self::filter($request);
        Gate::authorize($filter->inBin() ? 'write' : 'view', $bank);

        return self::page($request, $search, Scope::bank($bank->id), $filter);
    }

    #[Operation(
        'Questions of every bank one may read that meet a filter, 60 a page; each names its bank',
        response: 'QuestionPage',
    )]
    public function everywhere(Request $request, QuestionSearch $search): AnonymousResourceCollection
    {
        $filter = self::filter($request);

        return self::page($request, $search, Scope::readableBy(User::asking($request), $filter->inBin()), $filter);
    }

    #[Operation('How many questions of a bank meet a filter', response: ['found' => 'integer', 'of' => 'integer'])]
    public function count(Request $request, Bank $bank, QuestionSearch $search): JsonResponse
    {
        $filter = self::filter($request);
        Gate::authorize($filter->inBin() ? 'write' : 'view', $bank);

        return self::counts($search, Scope::bank($bank->id), $filter);
    }

    #[Operation('How many questions of every bank one may read meet a filter', response: ['found' => 'integer', 'of' => 'integer'])]
    public function countEverywhere(Request $request, QuestionSearch $search): JsonResponse
    {
        $filter = self::filter($request);

        return self::counts($search, Scope::readableBy(User::asking($request), $filter->inBin()), $filter);
    }

    private static function counts(QuestionSearch $search, Scope $scope, QuestionFilter $filter): JsonResponse
    {
        return new JsonResponse([
            'found' => $search->count($scope, $filter),
            'of' => $search->count($scope, QuestionFilter::fromQuery('')),
        ]);
    }

    private static function filter(Request $request): QuestionFilter
    {
        return QuestionFilter::fromQuery($request->server->getString('QUERY_STRING'));
    }

    private static function page(
        Request $request,
        QuestionSearch $search,
        Scope $scope,
        QuestionFilter $filter,
    ): AnonymousResourceCollection {
        $cursor = $request->query('cursor');
        $cursor = is_string($cursor) && $cursor !== '' ? $cursor : null;
        [$rows, $next, $found] = $search->page($scope, $filter, $cursor);

        return QuestionRowResource::collection(QuestionRows::of($rows, $filter->words, User::asking($request)))->additional([
            'meta' => [
                'next_cursor' => $next,
                'found' => match (true) {
                    $cursor !== null => null,
                    $next === null => count($rows),
                    default => $found ?? $search->countQuickly($scope, $filter, self::COUNTED),
                },
                'of' => $cursor === null ? $search->countUpTo($scope, QuestionFilter::fromQuery(''), self::COUNTED) : null,
                'cut' => $filter->words->cut,
            ],
        ]);
    }

    private static function exists(): JsonResponse
    {
        return Problems::json(
            409,
            'question.exists',
            Message::of('app.http.controllers.question-identifier-exists-already'),
            ['path' => '/question/id'],
        );
    }

    #[Operation(
        'Write a new question into a bank',
        response: ['data' => 'WholeQuestion'],
        body: ['question' => 'object', 'note' => 'string?', 'folders' => 'string[][]?'],
        status: 201,
    )]
    public function store(SaveQuestionRequest $request, Bank $bank, SaveQuestion $save): JsonResponse
    {
        $question = $request->question();
        $user = User::asking($request);
        $there = Question::query()->find($question->id);
        if ($there !== null && Gate::allows('view', $there)) {
            return self::exists();
        }
        $id = NewId::from($question->id);
        try {
            $save->create(
                $id === $question->id ? $question : $request->question($id),
                $bank->id,
                $user,
                $request->note(),
                $request->folders(),
            );
        } catch (UniqueConstraintViolationException) {
            // sent twice at the same moment
            return self::exists();
        }
        $stored = Question::query()->with('bank')->findOrFail($id);

        return (new QuestionResource($stored))
            ->response()
            ->setStatusCode(201)
            ->header('ETag', "\"$stored->revision\"");
    }
}
