<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Accounts\Notify;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Queries\Transfers;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** What was only assumed of an old system: sent to who knows it, and confirmed by them in the receipt. */
final class AssumptionController
{
    #[Operation(
        'Ask somebody to confirm what was assumed; they see the receipt from then on',
        body: ['email' => 'string', 'words' => 'string?'],
        status: 204,
    )]
    public function ask(Request $request, string $receipt): JsonResponse
    {
        $me = User::asking($request);
        $row = DB::table('receipts')->where('id', $receipt)->whereRaw(Transfers::MINE, [$me->id, $me->id])->first() ?? abort(404);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['email', 'words'])->need('email');
        $email = $fields->string('email', '', 320);
        /** @var User|null $person */
        $person = User::query()->whereRaw('lower(email) = lower(?)', [$email])->whereNull('disabled_at')->first();
        if ($person === null) {
            throw Refused::because('assumption.nobody', Message::of('app.http.controllers.nobody-of-that-address'), '/email');
        }
        $words = $fields->string('words', '', 2000);
        DB::transaction(function () use ($me, $row, $person, $receipt, $words): void {
            $open = DB::table('assumptions')->where('receipt_id', $receipt)->whereNull('confirmed_at');
            $count = $open->update(['asked_id' => $person->id, 'asked_at' => now()]);
            if ($count === 0) {
                throw Refused::because('assumption.none', Message::of('app.http.controllers.nothing-assumed'));
            }
            $text = Message::of('app.http.controllers.please-confirm', [
                'name' => $me->name,
                'title' => is_string($row->title) ? $row->title : '',
                'count' => $count,
            ]);
            Notify::tell($person, 'assumptions', $text, $words, "/receipts/$receipt");
        });

        return new JsonResponse(null, 204);
    }

    #[Operation('Confirm one of the assumptions one was asked about', status: 204)]
    public function confirm(Request $request, string $receipt, string $number): JsonResponse
    {
        $me = User::asking($request)->id;
        $confirmed = DB::table('assumptions')
            ->where('receipt_id', $receipt)
            ->where('number', min(100_000, (int) $number))
            ->where('asked_id', $me)
            ->update(['confirmed_by' => $me, 'confirmed_at' => DB::raw('coalesce(confirmed_at, now())')]);
        abort_if($confirmed === 0, 404);

        return new JsonResponse(null, 204);
    }
}
