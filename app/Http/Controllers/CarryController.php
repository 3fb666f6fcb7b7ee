<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Bulk\BeginOperation;
use App\Actions\Bulk\CarryPlan;
use App\Actions\MakeBank;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\User;
use App\Queries\CarryPreview;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Last year's bank into this year's: chosen folders, questions and assessments, as copies or in a second place. */
final class CarryController
{
    private const BODY = [
        'into' => 'string?',
        'new_bank' => 'string?',
        'filter' => 'string?',
        'folders' => 'uuid[]?',
        'assessments' => 'uuid[]?',
        'how' => 'string?',
        'folder' => 'string[]?',
        'topics' => 'object[]?',
        'frameworks' => 'object?',
    ];

    #[Operation('What carrying over would do, without doing it', response: ['data' => 'CarryPreview'], body: self::BODY)]
    public function preview(Request $request, Bank $bank, CarryPreview $preview): JsonResponse
    {
        Gate::authorize('view', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', array_keys(self::BODY));
        $plan = CarryPlan::read($fields, $bank);
        $into = $fields->has('into') ? self::into($fields, $bank) : null;

        return new JsonResponse(Json::encode(['data' => $preview->of($plan, $into, User::asking($request))]), json: true);
    }

    #[Operation(
        'Carry what is chosen over to another bank, or to a new one',
        response: ['slug' => 'string', 'act' => 'Act'],
        body: self::BODY,
        status: 201,
    )]
    public function store(Request $request, Bank $bank, BeginOperation $begin, MakeBank $make): JsonResponse
    {
        Gate::authorize('view', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', array_keys(self::BODY));
        $plan = CarryPlan::read($fields, $bank);
        $person = User::asking($request);
        $total = $begin->carried($plan, $person); // before a bank is made for nothing
        $into = $fields->has('into') ? self::into($fields, $bank) : self::fresh($fields, $bank, $make, $person);
        $act = $begin->carry($into, $plan, $total, $person);

        return new JsonResponse(['slug' => $into->slug, 'act' => ActResource::of($act, $person)], 201);
    }

    private static function into(Fields $fields, Bank $from): Bank
    {
        $into = Bank::query()->where('slug', $fields->string('into', '', 100))->first();
        if ($into === null || ! Gate::allows('write', $into)) {
            throw Refused::because('carry.may_not_write', Message::of('app.actions.bulk.carry-may-not-write'), '/into');
        }
        if ($into->id === $from->id) {
            throw Refused::because('carry.same_bank', Message::of('app.actions.bulk.carry-same-bank'), '/into');
        }

        return $into;
    }

    private static function fresh(Fields $fields, Bank $from, MakeBank $make, User $person): Bank
    {
        $name = trim($fields->string('new_bank', '', 200));
        if ($name === '') {
            throw Refused::because('bank.no_name', Message::of('app.http.controllers.bank-needs-name'), '/new_bank');
        }

        return $make->like($from, $name, $person);
    }
}
