<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\Tray;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** What a person has picked to do something with: it survives paging, searching and changing banks. */
final class TrayController
{
    private const MOST = 500;

    #[Operation('What lies in one’s tray, in the order it was put there', response: ['data' => 'TrayRow[]'])]
    public function show(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => Tray::of(User::asking($request))]);
    }

    #[Operation(
        'Put questions into the tray, take them out, or empty it first',
        response: ['data' => 'TrayRow[]'],
        body: ['add' => 'uuid[]?', 'remove' => 'uuid[]?', 'clear' => 'boolean?'],
    )]
    public function update(Request $request): JsonResponse
    {
        $user = User::asking($request);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['add', 'remove', 'clear']);
        $ids = fn (string $name): array => array_map(
            fn (mixed $id, int $i): string => Fields::asUuid($id, "/$name/$i"),
            $list = $fields->list($name, 2000),
            array_keys($list),
        );
        [$add, $remove] = [$ids('add'), $ids('remove')];
        DB::transaction(function () use ($user, $add, $remove, $fields): void {
            DB::table('users')->where('id', $user->id)->lockForUpdate()->value('id'); // two windows of one person
            if ($fields->bool('clear', false)) {
                DB::table('trays')->where('user_id', $user->id)->delete();
            }
            DB::table('trays')->where('user_id', $user->id)->whereIn('question_id', $remove)->delete();
            $rows = array_map(
                fn (string $id): array => ['user_id' => $user->id, 'question_id' => $id],
                array_keys(ReadableIds::of($user)->questions($add)),
            );
            DB::table('trays')->insertOrIgnore($rows);
            if (DB::table('trays')->where('user_id', $user->id)->count() > self::MOST) {
                throw Refused::because(
                    'tray.full',
                    Message::of('app.http.controllers.tray-full', ['most' => self::MOST]),
                );
            }
        });

        return $this->show($request);
    }
}
