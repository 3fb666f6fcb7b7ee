<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ArrangeTree;
use App\Actions\Bulk\BeginOperation;
use App\Actions\OrderFolder;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\User;
use App\Queries\TreeUses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Documents\Outline;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Folders and topics of a bank: two trees that are arranged alike. */
final class FolderController
{
    #[Operation('Make a folder or topic', response: 'Created', body: ['name' => 'string', 'parent' => 'uuid?'], status: 201)]
    public function store(Request $request, Bank $bank, string $tree, ArrangeTree $arrange): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'parent'])->need('name');

        return new JsonResponse(
            ['id' => $arrange->add($tree, $bank->id, $fields->string('name', '', 200), $this->id($fields, 'parent'))],
            201,
        );
    }

    #[Operation(
        'Make folders or topics from an outline; without go only what it would make is said',
        response: ['lines' => 'OutlineLine[]', 'done' => 'OutlineCounts|null'],
        body: ['text' => 'string', 'parent' => 'uuid?', 'go' => 'boolean?'],
    )]
    public function outline(Request $request, Bank $bank, string $tree, ArrangeTree $arrange): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['text', 'parent', 'go'])->need('text');
        $lines = Outline::read($fields->string('text', '', 500_000));
        $done = $fields->bool('go', false) ? $arrange->outline($tree, $bank->id, $lines, $this->id($fields, 'parent')) : null;

        return new JsonResponse(['lines' => $lines, 'done' => $done]);
    }

    #[Operation(
        'Make one of two: what lies in the first lies in the second, and the first is gone',
        response: 'Act',
        body: ['into' => 'uuid'],
    )]
    public function merge(Request $request, Bank $bank, string $tree, string $node, BeginOperation $begin): JsonResponse
    {
        Gate::authorize('write', $bank);
        assert($tree === 'folders' || $tree === 'topics');
        $person = User::asking($request);
        $act = $begin->merge($bank, $tree, $node, Fields::of(Json::decode($request->getContent()), '', ['into'])->uuid('into'), $person);

        return new JsonResponse(ActResource::of($act, $person));
    }

    #[Operation(
        'Where a folder or topic is used: questions in it and below it by bank, of those one may not read only how many',
        response: 'NodeUses',
    )]
    public function uses(Request $request, Bank $bank, string $tree, string $node): JsonResponse
    {
        Gate::authorize('view', $bank);
        assert($tree === 'folders' || $tree === 'topics');

        return new JsonResponse(TreeUses::of($tree, $bank->id, $node, User::asking($request)));
    }

    #[Operation(
        'Put a question before another of a folder, or last: the order made by hand',
        body: ['question' => 'uuid', 'before' => 'uuid?'],
        status: 204,
    )]
    public function order(Request $request, Bank $bank, string $node, OrderFolder $order): Response
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['question', 'before']);
        $order->handle($bank->id, $node, $fields->uuid('question'), $this->id($fields, 'before'));

        return new Response('', 204);
    }

    #[Operation(
        'Rename, move or order a folder or topic; before: the sibling it is put before, null for last; by_name: what is below '.
            'it by name again',
        body: ['name' => 'string?', 'parent' => 'uuid?', 'before' => 'uuid?', 'by_name' => 'boolean?'],
        status: 204,
    )]
    public function update(Request $request, Bank $bank, string $tree, string $node, ArrangeTree $arrange): Response
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'parent', 'before', 'by_name']);
        $arrange->change($tree, $bank->id, $node, $fields);

        return new Response('', 204);
    }

    #[Operation(
        'Take a folder or topic away with what is below it; the questions stay, and undone they have it again',
        response: 'Act',
    )]
    public function destroy(Request $request, Bank $bank, string $tree, string $node, BeginOperation $begin): JsonResponse
    {
        Gate::authorize('write', $bank);
        assert($tree === 'folders' || $tree === 'topics');
        $person = User::asking($request);

        return new JsonResponse(ActResource::of($begin->remove($bank, $tree, $node, $person), $person));
    }

    private function id(Fields $fields, string $name): ?string
    {
        return $fields->raw($name) === null ? null : $fields->uuid($name);
    }
}
