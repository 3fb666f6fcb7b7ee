<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Queries\Tags;
use App\Queries\Topics;
use App\Search\Facets;
use App\Search\Nearest;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Malformed;

/** Where questions are: the trees of a bank, and counts for what the list could be narrowed to. */
final class PlaceController
{
    #[Operation('The folders and topics of a bank as trees', response: 'Trees')]
    public function trees(Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);
        $folders = DB::table('folders')
            ->where('bank_id', $bank->id)
            ->orderBy('position')
            ->orderByRaw('name COLLATE by_name')
            ->get(['id', 'parent_id', 'name']);
        $topics = Topics::of($bank->id)
            ->orderBy('position')
            ->orderBy('title')
            ->get(['id', 'parent_id', 'title AS name']);

        return new JsonResponse(['folders' => $folders, 'topics' => $topics]);
    }

    #[Operation('Every tag of a bank, with how many questions have it', response: ['data' => 'TagRow[]'])]
    public function tags(Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);

        return new JsonResponse(['data' => Tags::of($bank)]);
    }

    #[Operation(
        'How many questions each value of the asked dimensions would leave (?of=kind&of=topic), with all other conditions; '
            .'where more than 10,000 match, from a sample unless &exact=1',
        response: 'Facets',
    )]
    public function facets(Request $request, Bank $bank, Facets $facets, QuestionSearch $search): JsonResponse
    {
        $filter = $this->filter($request);
        Gate::authorize($filter->inBin() ? 'write' : 'view', $bank);

        return $this->counted($request, Scope::bank($bank->id), $filter, $facets, $search);
    }

    #[Operation('The same over every bank one may read', response: 'Facets')]
    public function everywhere(Request $request, Facets $facets, QuestionSearch $search): JsonResponse
    {
        $filter = $this->filter($request);

        return $this->counted($request, Scope::readableBy(User::asking($request), $filter->inBin()), $filter, $facets, $search);
    }

    private function filter(Request $request): QuestionFilter
    {
        return QuestionFilter::fromQuery($request->server->getString('QUERY_STRING'));
    }

    private function counted(Request $request, Scope $scope, QuestionFilter $filter, Facets $facets, QuestionSearch $search): JsonResponse
    {
        $query = $request->server->getString('QUERY_STRING');
        preg_match_all('/(?:^|&)of(?:%5B%5D|\[\])?=([a-z]+)/', $query, $asked);
        $sampled = $asked[1] !== [] && preg_match('/(?:^|&)exact=1(?:&|$)/', $query) !== 1 && $facets->isSampled($scope, $filter);
        $dimensions = array_values(array_unique($asked[1]));
        foreach ($dimensions as $dimension) {
            if (! in_array($dimension, QuestionFilter::DIMENSIONS, true)) {
                throw Malformed::notOneOf('/of', QuestionFilter::DIMENSIONS, $dimension);
            }
        }

        return new JsonResponse([
            'facets' => (object) $facets->several($dimensions, $scope, $filter, $sampled),
            'sampled' => $sampled,
            'without' => (object) $this->without($scope, $filter, $search),
            'meant' => $this->meant($scope, $filter, $search),
        ]);
    }

    /**
     * When nothing is found: the words that may have been meant, with all other conditions, and how many questions they give.
     *
     * @return array{words: string, count: int}|null
     */
    private function meant(Scope $scope, QuestionFilter $filter, QuestionSearch $search): ?array
    {
        $isFound = $filter->words->isEmpty() || $search->countUpTo($scope, $filter, 0) === null;
        $words = $isFound ? null : Nearest::to($scope->banks, $filter->typed);
        $count = $words === null ? 0 : $search->count($scope, $filter->saying($words));

        return $words === null || $count === 0 ? null : ['words' => $words, 'count' => $count];
    }

    /**
     * When nothing is found: what dropping each condition would give.
     *
     * @return array<string, int>
     */
    private function without(Scope $scope, QuestionFilter $filter, QuestionSearch $search): array
    {
        if ($filter->isEmpty() || $search->countUpTo($scope, $filter, 0) === null) {
            return [];
        }
        $counts = [];
        foreach ($filter->names() as $name) {
            $counts[$name] = $search->count($scope, $filter->without($name));
        }
        if (trim($filter->typed) !== '') {
            $counts['words'] = $search->count($scope, $filter->without('words'));
        }

        return $counts;
    }
}
