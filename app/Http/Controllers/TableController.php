<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Models\Intake;
use App\Models\User;
use App\Queries\TablePage;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Interchange\QuestionTable\Mapping\KeptMapping;
use WideQuarry\Interchange\QuestionTable\Written\TableTemplate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** A table of an intake and how it is read; mappings one keeps; files to fill in. */
final class TableController
{
    private const MOST_KEPT = 100;

    private const WORKBOOK = 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet';

    #[Operation(
        'A table as it was read: its first rows, what each column was taken for, and rows with something wrong',
        response: ['data' => 'QuestionTable'],
    )]
    public function show(Request $request, Intake $intake, string $file, TablePage $page): JsonResponse
    {
        Gate::authorize('work', $intake);
        $data = $page->of($intake->id, $file, User::asking($request)->id);
        abort_if($data === null, 404);

        return new JsonResponse(Json::encode(['data' => $data]), json: true);
    }

    #[Operation(
        'Keep how a table is read under a name, in the place of one of that name',
        response: 'Created',
        body: ['name' => 'string', 'mapping' => 'object'],
        status: 201,
    )]
    public function keep(Request $request): JsonResponse
    {
        $me = User::asking($request)->id;
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'mapping'])->need('name')->need('mapping');
        $name = trim($fields->string('name', '', 100));
        if ($name === '') {
            throw Refused::because('mapping.name', Message::of('app.http.controllers.mapping-needs-name'), '/name');
        }
        $mapping = Json::encode(KeptMapping::read($fields->raw('mapping')));
        if (DB::table('table_mappings')->where('user_id', $me)->where('name', '<>', $name)->count() >= self::MOST_KEPT) {
            $sentence = Message::of('app.http.controllers.mappings-full', ['most' => self::MOST_KEPT]);
            throw Refused::because('mapping.too_many', $sentence, '/name');
        }
        DB::table('table_mappings')->upsert(
            ['id' => (string) Str::uuid7(), 'user_id' => $me, 'name' => $name, 'mapping' => $mapping],
            ['user_id', 'name'],
            ['mapping'],
        );

        $id = DB::table('table_mappings')->where('user_id', $me)->where('name', $name)->value('id');

        return new JsonResponse(['id' => $id], 201);
    }

    #[Operation('Forget a mapping one has kept', status: 204)]
    public function forget(Request $request, string $mapping): JsonResponse
    {
        $gone = DB::table('table_mappings')->where('user_id', User::asking($request)->id)->where('id', $mapping)->delete();
        abort_if($gone === 0, 404);

        return new JsonResponse(null, 204);
    }

    #[Operation('A table to fill in, for one kind of question or for all of them, with an example of each')]
    public function template(Request $request, string $kind, string $type): Response
    {
        User::asking($request);
        $template = TableTemplate::of($kind);
        if ($template === null || ! in_array($type, ['csv', 'xlsx'], true)) {
            abort(404);
        }
        $bytes = $template->bytes($type === 'csv' ? 'csv' : 'xlsx');

        return new Response($bytes, 200, [
            'Content-Type' => $type === 'csv' ? 'text/csv; charset=UTF-8' : self::WORKBOOK,
            'Content-Disposition' => "attachment; filename=\"questions-$kind.$type\"",
        ]);
    }
}
