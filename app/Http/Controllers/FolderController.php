<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\ArrangeTree;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** Folders and topics of a bank: two trees that are arranged alike. */
final class FolderController
{
    #[Operation('Make a folder or topic', body: ['name' => 'string', 'parent' => 'string?'], status: 201)]
    public function store(Request $request, Bank $bank, string $tree, ArrangeTree $arrange): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'parent'])->need('name');

        return new JsonResponse(['id' => $arrange->add($tree, $bank->id, $fields->string('name', '', 200), $this->id($fields, 'parent'))], 201);
    }

    #[Operation('Rename or move a folder or topic', body: ['name' => 'string?', 'parent' => 'string?'], status: 204)]
    public function update(Request $request, Bank $bank, string $tree, string $node, ArrangeTree $arrange): Response
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'parent']);
        if ($fields->has('name')) {
            $arrange->rename($tree, $bank->id, $node, $fields->string('name', '', 200));
        }
        if ($fields->has('parent')) {
            $arrange->move($tree, $bank->id, $node, $this->id($fields, 'parent'));
        }

        return new Response('', 204);
    }

    #[Operation('Take a folder or topic away with what is below it; the questions stay', status: 204)]
    public function destroy(Bank $bank, string $tree, string $node, ArrangeTree $arrange): Response
    {
        Gate::authorize('write', $bank);
        $arrange->remove($tree, $bank->id, $node);

        return new Response('', 204);
    }

    private function id(Fields $fields, string $name): ?string
    {
        return $fields->raw($name) === null ? null : $fields->uuid($name);
    }
}
