<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Standards\HandOut;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\Question;
use App\Models\User;
use App\Queries\ClassifiedWords;
use App\Queries\Frameworks;
use App\Queries\ProposedNodes;
use App\Search\QuestionFilter;
use App\Search\Scope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Many questions against one tree: which come next, and what is proposed for them. Nothing is classified here. */
final class TaggingController
{
    private const TAKE = 5;

    private const MOST_PAST = 2000;

    #[Operation(
        'Questions of a bank that are not classified in a tree yet (framework, or else the topics of the bank), which nobody else is at, '
            .'each with up to five proposals',
        response: ['data' => 'Untagged[]', 'left' => 'integer', 'elsewhere' => 'integer'],
        body: ['framework' => 'uuid?', 'filter' => 'string?', 'past' => 'string[]?', 'take' => 'integer?'],
    )]
    public function next(Request $request, Bank $bank, HandOut $handOut): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['framework', 'filter', 'past', 'take']);
        $framework = self::framework($fields);
        $past = [];
        foreach ($fields->list('past', self::MOST_PAST) as $i => $id) {
            $past[] = Fields::asUuid($id, "/past/$i");
        }
        $person = User::asking($request);
        $next = $handOut->next(
            $bank->id,
            $framework,
            QuestionFilter::fromQuery($fields->string('filter', '', 8000)),
            $past,
            $fields->int('take', self::TAKE, 1, self::TAKE),
            $person,
        );
        $proposed = self::proposed($bank, $framework, $person);

        return new JsonResponse([
            'data' => array_map(fn (string $id): array => ['question' => $id, 'proposals' => $proposed->for($id)], $next['questions']),
            'left' => $next['left'],
            'elsewhere' => $next['elsewhere'],
        ]);
    }

    #[Operation(
        'What is proposed for one question (?framework, or else the topics of its bank)',
        response: ['data' => 'ProposedNode[]'],
    )]
    public function proposals(Request $request, Question $question): JsonResponse
    {
        Gate::authorize('view', $question);
        $given = $request->query('framework');
        $framework = self::framework(Fields::of((object) (is_string($given) ? ['framework' => $given] : []), '', ['framework']));

        return new JsonResponse([
            'data' => self::proposed($question->bank, $framework, User::asking($request))->for($question->id),
        ]);
    }

    private static function framework(Fields $fields): ?string
    {
        $framework = $fields->raw('framework') === null ? null : $fields->uuid('framework');
        abort_if($framework !== null && ! Frameworks::exists($framework), 404);

        return $framework;
    }

    private static function proposed(Bank $bank, ?string $framework, User $person): ProposedNodes
    {
        $banks = Scope::readableBy($person)->banks;
        ClassifiedWords::keep($banks);

        return $framework === null ? new ProposedNodes('topics', $bank->id, $banks) : new ProposedNodes('framework', $framework, $banks);
    }
}
