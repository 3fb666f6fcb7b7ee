<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\User;
use App\Queries\CoverageOf;
use App\Queries\Frameworks;
use App\Search\CoverageCounts;
use App\Search\QuestionFilter;
use App\Search\Scope;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Symfony\Component\HttpFoundation\HeaderUtils;
use WideQuarry\Json\Fields;

/** What questions cover of a framework or of a bank's topics, and where it is thin. */
final class CoverageController
{
    #[Operation(
        'Questions under each statement or topic (?tree=framework or ?topics=bank) by a value (?layers=difficulty, status, '
            .'kind, purpose, marks, points), of all banks that may be read or those that other conditions leave (?bank=slug …), or of ?assessment=id; '
            .'?through=1 counts through crosswalks, ?touches=1 what is only touched; ?least=3, ?approved=1 and ?levels=3 say what is thin',
        response: ['data' => 'Coverage'],
    )]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => $this->coverage($request)->describe()]);
    }

    #[Operation('The same as a table (CSV)')]
    public function csv(Request $request): Response
    {
        $coverage = $this->coverage($request);

        return new Response($coverage->csv(), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => HeaderUtils::makeDisposition('attachment', 'coverage.csv'),
        ]);
    }

    #[Operation(
        'One statement or topic (?node): its questions by two values (?rows=kind&layers=difficulty)',
        response: ['data' => 'CoverageCell[]'],
    )]
    public function node(Request $request): JsonResponse
    {
        $node = Fields::asUuid($request->query('node'), '/node');

        return new JsonResponse(['data' => $this->coverage($request)->table($this->oneOf($request, 'rows', 'kind'), $node)]);
    }

    private function coverage(Request $request): CoverageOf
    {
        $person = User::asking($request);
        $framework = $request->query('tree');
        $topics = $request->query('topics');
        $only = null;
        if (is_string($request->query('assessment'))) {
            $assessment = Assessment::query()->findOrFail(Fields::asUuid($request->query('assessment'), '/assessment'));
            Gate::authorize('view', $assessment);
            $only = CoverageOf::questionsIn($assessment);
        }
        if (is_string($topics)) {
            $bank = Bank::query()->where('slug', $topics)->firstOrFail();
            Gate::authorize('view', $bank);
            [$tree, $id] = ['topics', $bank->id];
        } else {
            $id = Fields::asUuid($framework, '/tree');
            $tree = 'framework';
            abort_unless(Frameworks::exists($id), 404);
        }
        $counts = new CoverageCounts(
            Scope::readableBy($person),
            QuestionFilter::fromQuery($request->server->getString('QUERY_STRING')),
            $tree,
            $id,
            $request->query('touches') === '1',
            $request->query('through') === '1',
            $only,
        );

        return new CoverageOf(
            $counts,
            $tree,
            $id,
            $this->oneOf($request, 'layers', 'difficulty'),
            max(0, min(1000, $request->integer('least', 1))),
            $request->query('approved') === '1',
            max(1, min(99, $request->integer('levels', 99))),
        );
    }

    private function oneOf(Request $request, string $name, string $default): string
    {
        $given = $request->query($name, $default);

        return Fields::of((object) [$name => $given], '', [$name])->oneOf($name, array_keys(CoverageCounts::BY), $default);
    }
}
