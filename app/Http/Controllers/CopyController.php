<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Bulk\BeginOperation;
use App\Actions\MakeBank;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\User;
use App\Search\QuestionFilter;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Copies of questions, and of banks. */
final class CopyController
{
    private const MOST = 50_000;

    #[Operation(
        'Copy questions into a bank: those named, or all of another bank that meet a filter',
        response: 'Act',
        body: ['ids' => 'uuid[]?', 'filter' => 'string?', 'from' => 'string?', 'folder' => 'string[]?', 'bin' => 'boolean?'],
    )]
    public function store(Request $request, Bank $bank, BeginOperation $begin): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['ids', 'filter', 'from', 'folder', 'bin']);
        $path = array_values(
            array_filter(
                $fields->list('folder', 12),
                fn (mixed $step): bool => is_string($step) && trim($step) !== '' && mb_strlen($step) <= 200,
            ),
        );
        $from = $fields->has('filter')
            ? Bank::query()->where('slug', $fields->string('from', $bank->slug, 100))->first() ?? abort(404)
            : $bank;
        $inBin = $fields->has('filter') && QuestionFilter::fromQuery($fields->string('filter', '', 20_000))->inBin();
        Gate::authorize($inBin ? 'write' : 'view', $from);
        $target = $fields->has('filter')
            ? $fields->string('filter', '', 20_000)
            : array_map(
                fn (mixed $id, int $i): string => Fields::asUuid($id, "/ids/$i"),
                $list = $fields->list('ids', self::MOST),
                array_keys($list),
            );
        $act = $begin->copy($bank, $target, $from->id, $path === [] ? [] : [$path], $fields->bool('bin', false), User::asking($request));

        return new JsonResponse(ActResource::of($act, User::asking($request)));
    }

    #[Operation(
        'Copy a bank: a new one, kept by who copies it, with the same folders and topics and a copy of every question',
        response: ['slug' => 'string', 'act' => 'Act'],
        body: ['name' => 'string'],
        status: 201,
    )]
    public function bank(Request $request, Bank $bank, BeginOperation $begin, MakeBank $make): JsonResponse
    {
        Gate::authorize('view', $bank);
        $person = User::asking($request);
        $name = trim(Fields::of(Json::decode($request->getContent()), '', ['name'])->string('name', '', 200));
        if ($name === '') {
            throw Refused::because('bank.no_name', Message::of('app.http.controllers.bank-needs-name'), '/name');
        }
        $copy = $make->like($bank, $name, $person);
        $act = $begin->copy($copy, '', $bank->id, null, false, $person);

        return new JsonResponse(['slug' => $copy->slug, 'act' => ActResource::of($act, $person)], 201);
    }
}
