<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Infrastructure\PostgresArray;
use App\Models\User;
use App\Policies\ReadableIds;
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
        $user = User::asking($request);
        $rows = DB::select(
            <<<'SQL'
            SELECT questions.id, questions.title, questions.kinds, questions.points, banks.slug AS bank, banks.name AS bank_name,
                mine.role >= 'writer' AS may_write
            FROM trays JOIN questions ON questions.id = trays.question_id JOIN banks ON banks.id = questions.bank_id LEFT
                JOIN bank_roles(?) AS mine ON mine.bank_id = banks.id
            WHERE trays.user_id = ? AND EXISTS (SELECT 1 FROM visible_questions(?) AS visible
                WHERE visible.id = questions.id OFFSET 0) ORDER BY trays.position
            SQL,
            [$user->id, $user->id, $user->id],
        );

        return new JsonResponse([
            'data' => array_map(
                fn (\stdClass $row): array => [
                    ...(array) $row,
                    'kinds' => PostgresArray::read($row->kinds),
                    'points' => (float) $row->points,
                    'may_write' => $row->may_write === true,
                ],
                $rows,
            ),
        ]);
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
