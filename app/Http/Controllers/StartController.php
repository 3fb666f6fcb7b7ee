<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\OpenApi\Operation;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** Beginnings of questions that a person has kept: theirs alone, for every bank they write in. */
final class StartController
{
    private const MOST = 100;

    #[Operation('The beginnings one has kept', response: ['data' => 'OwnStart[]'])]
    public function index(Request $request): JsonResponse
    {
        $rows = $this->mine($request)
            ->orderBy('name')
            ->get(['id', 'name', 'content'])
            ->map(
                fn (\stdClass $row): array => [
                    'id' => $row->id,
                    'name' => $row->name,
                    'question' => Json::decode(is_string($row->content) ? $row->content : '{}'),
                ],
            );

        return new JsonResponse(Json::encode(['data' => $rows->all()]), json: true);
    }

    #[Operation(
        'Keep a question as a beginning of others',
        response: 'Created',
        body: ['name' => 'string', 'question' => 'object'],
        status: 201,
    )]
    public function store(Request $request, PartKinds $kinds): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'question'])
            ->need('name')
            ->need('question');
        $name = trim($fields->string('name', '', 200));
        if ($name === '') {
            throw Refused::because('start.no_name', Message::of('app.http.controllers.needs-name'), '/name');
        }
        if ($this->mine($request)->count() >= self::MOST) {
            return Problems::json(422, 'start.too_many', Message::of('app.http.controllers.them-already-throw-one', [
                'most' => self::MOST,
            ]));
        }
        // what is of that one question stays with it: its record, and the text it was called by
        $content = Canonical::of(Question::read($fields->raw('question'), $kinds)->toJson())[0];
        unset($content->record);
        $content->title = '';
        $id = (string) Str::uuid7();
        DB::table('starts')->insert([
            'id' => $id,
            'user_id' => User::asking($request)->id,
            'name' => $name,
            'content' => Json::encode($content),
        ]);

        return new JsonResponse(['id' => $id], 201);
    }

    #[Operation('Throw a beginning away', status: 204)]
    public function destroy(Request $request, string $start): Response
    {
        if ($this->mine($request)->where('id', $start)->delete() !== 1) {
            abort(404);
        }

        return new Response('', 204);
    }

    private function mine(Request $request): Builder
    {
        return DB::table('starts')->where('user_id', User::asking($request)->id);
    }
}
