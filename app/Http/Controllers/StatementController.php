<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Standards\ChangeStatements;
use App\Http\OpenApi\Operation;
use App\Queries\Frameworks;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Standards\Association;

/** The statements of a framework, one by one. */
final class StatementController
{
    private const BODY = [
        'code' => 'string?',
        'title' => 'string?',
        'text' => 'string?',
        'level' => 'string?',
        'notes' => 'string?',
        'retired' => 'boolean?',
        'parent' => 'uuid?',
        'before' => 'uuid?',
    ];

    private const MOST_IDS = 200;

    #[Operation(
        'Statements by code or words (?words, ?framework), at most 30; or those named (?id=…&id=…)',
        response: ['data' => 'FoundStatement[]'],
    )]
    public function find(Request $request): JsonResponse
    {
        $words = $request->query('words');
        $framework = $request->query('framework');
        preg_match_all('/(?:^|&)id(?:%5B%5D|\[\])?=([0-9a-f-]{36})/', $request->server->getString('QUERY_STRING'), $asked);
        $ids = array_map(fn (string $id): string => Fields::asUuid($id, '/id'), array_slice($asked[1], 0, self::MOST_IDS));

        return new JsonResponse(['data' => Frameworks::find(
            is_string($words) ? mb_strcut(mb_scrub(str_replace("\0", '', $words)), 0, 400) : '',
            is_string($framework) ? Fields::asUuid($framework, '/framework') : null,
            $ids,
            $ids === [] ? 30 : self::MOST_IDS,
        )]);
    }

    #[Operation('Add a statement', response: 'Created', body: self::BODY, status: 201)]
    public function store(Request $request, string $framework, ChangeStatements $change): JsonResponse
    {
        FrameworkController::keeper($request);
        $fields = Fields::of(Json::decode($request->getContent()), '', ChangeStatements::FIELDS);

        return new JsonResponse(['id' => $change->add($framework, $fields)], 201);
    }

    #[Operation('Change, move, retire or bring back a statement', body: self::BODY, status: 204)]
    public function update(Request $request, string $framework, string $statement, ChangeStatements $change): Response
    {
        FrameworkController::keeper($request);
        self::of($framework, $statement);
        $change->change($framework, $statement, Fields::of(Json::decode($request->getContent()), '', ChangeStatements::FIELDS));

        return new Response('', 204);
    }

    #[Operation('Delete a statement that nothing names, with those below it', status: 204)]
    public function destroy(Request $request, string $framework, string $statement, ChangeStatements $change): Response
    {
        FrameworkController::keeper($request);
        self::of($framework, $statement);
        $change->remove($framework, $statement);

        return new Response('', 204);
    }

    #[Operation(
        'Say how a statement stands to another, of this framework or a second one',
        body: ['from' => 'uuid', 'to' => 'uuid', 'kind' => 'string'],
        status: 204,
    )]
    public function associate(Request $request, string $framework, ChangeStatements $change): Response
    {
        FrameworkController::keeper($request);
        $change->associate($framework, self::association($request));

        return new Response('', 204);
    }

    #[Operation(
        'Take back how a statement stands to another',
        body: ['from' => 'uuid', 'to' => 'uuid', 'kind' => 'string'],
        status: 204,
    )]
    public function dissociate(Request $request, string $framework, ChangeStatements $change): Response
    {
        FrameworkController::keeper($request);
        $change->dissociate($framework, self::association($request));

        return new Response('', 204);
    }

    private static function association(Request $request): Association
    {
        $json = Json::decode($request->getContent());
        Fields::of($json, '', ['from', 'to', 'kind'])->oneOf('kind', Association::CROSSWALK, '');

        return Association::read($json, '');
    }

    private static function of(string $framework, string $statement): void
    {
        abort_unless(DB::table('statements')->where(['framework_id' => $framework, 'id' => $statement])->exists(), 404);
    }
}
