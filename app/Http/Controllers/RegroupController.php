<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Bulk\BeginOperation;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\User;
use App\Queries\PlacedQuestions;
use App\Search\QuestionFilter;
use App\Search\QuestionSearch;
use App\Search\Scope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Migration\NamePattern;
use WideQuarry\Migration\Regrouping;

/** Questions of a bank put into folders by a pattern of names, looked at first. */
final class RegroupController
{
    private const MOST = 50_000;

    private const FIELDS = ['filter', 'pattern', 'names'];

    #[Operation(
        'The folders that a pattern makes of the questions that meet a filter',
        response: ['tree' => 'object[]', 'questions' => 'number'],
        body: ['filter' => 'string?', 'pattern' => 'string', 'names' => 'object?'],
    )]
    public function preview(Request $request, Bank $bank, QuestionSearch $search): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$filter, $pattern, $names] = $this->asked($request);
        $ids = array_slice($search->ids(Scope::bank($bank->id), QuestionFilter::fromQuery($filter)), 0, self::MOST);
        $ids = array_values(array_filter($ids, is_string(...)));
        $found = Regrouping::of(PlacedQuestions::of($ids, $bank->id), NamePattern::read($pattern), $names);
        $tree = array_map(fn (array $row): array => [...$row, 'kinds' => (object) $row['kinds']], $found->tree());

        return new JsonResponse(Json::encode(['tree' => array_slice($tree, 0, 2000), 'questions' => count($ids)]), json: true);
    }

    #[Operation(
        'Put the questions that meet a filter into folders by a pattern, in one act',
        response: 'Act',
        body: ['filter' => 'string?', 'pattern' => 'string', 'names' => 'object?'],
    )]
    public function store(Request $request, Bank $bank, BeginOperation $begin): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$filter, $pattern, $names] = $this->asked($request);
        $act = $begin->regroup($bank, $filter, $pattern, $names, User::asking($request));

        return new JsonResponse(ActResource::of($act, User::asking($request)));
    }

    /** @return array{string, string, array<string, string>} filter, pattern, names */
    private function asked(Request $request): array
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', self::FIELDS)->need('pattern');
        $names = $fields->names('names', Regrouping::MOST_NAMES);
        $pattern = $fields->string('pattern', '', 500);
        NamePattern::read($pattern);

        return [$fields->string('filter', '', 20_000), $pattern, $names];
    }
}
