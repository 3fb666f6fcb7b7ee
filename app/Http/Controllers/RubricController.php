<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveRubric;
use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\Rubric;
use App\Models\User;
use App\Queries\KeptRubrics;
use App\Queries\RubricUses;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Marking\Rubric as CoreRubric;
use WideQuarry\Marking\RubricText;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Canonical;

/** Rubrics of a bank, kept for reuse. */
final class RubricController
{
    #[Operation('Rubrics of the banks one may read, by their names', response: ['data' => 'RubricRow[]'])]
    public function all(Request $request): JsonResponse
    {
        $rows = KeptRubrics::readableBy(User::asking($request));

        return new JsonResponse(['data' => array_map(fn (\stdClass $row): array => self::row($row, null), $rows)]);
    }

    #[Operation('Rubrics of a bank, with how many questions follow each', response: ['data' => 'RubricRow[]'])]
    public function index(Bank $bank): JsonResponse
    {
        Gate::authorize('view', $bank);
        $uses = RubricUses::counts($bank->id);
        $described = fn (\stdClass $row): array => self::row($row, $uses[is_string($row->id) ? $row->id : ''] ?? 0);

        return new JsonResponse(['data' => array_map($described, KeptRubrics::of($bank))]);
    }

    #[Operation('Keep a rubric in a bank', response: ['data' => 'WholeRubric'], body: ['rubric' => 'object'], status: 201)]
    public function store(Request $request, Bank $bank, SaveRubric $save): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$title, $content] = self::read(Fields::of(Json::decode($request->getContent()), '', ['rubric']));
        $id = (string) Str::uuid7();
        $save->create($id, $bank, $title, $content, User::asking($request));

        return $this->whole(Rubric::query()->findOrFail($id), User::asking($request))->setStatusCode(201);
    }

    #[Operation('One rubric, whole, with the questions that follow it; ETag is its revision', response: ['data' => 'WholeRubric'])]
    public function show(Request $request, Rubric $rubric): JsonResponse
    {
        Gate::authorize('view', $rubric);

        return $this->whole($rubric, User::asking($request));
    }

    #[Operation(
        'Save a new revision; If-Match names the one it was started from. follow: the questions that follow it are changed too, in one act',
        response: ['data' => 'WholeRubric', 'act' => 'Act|null'],
        body: ['rubric' => 'object', 'follow' => 'boolean?'],
    )]
    public function update(Request $request, Rubric $rubric, SaveRubric $save): JsonResponse
    {
        Gate::authorize('update', $rubric);
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-revision-started'));
        }
        $fields = Fields::of(Json::decode($request->getContent()), '', ['rubric', 'follow']);
        [$title, $content] = self::read($fields);
        $person = User::asking($request);
        $saved = $save->revise($rubric, $title, $content, $match, $fields->bool('follow', false), $person);
        if ($saved === null) {
            return Problems::json(412, 'revision.superseded', Message::of('app.http.controllers.someone-else-saved-rubric'), [
                'current_revision' => $rubric->revision,
            ]);
        }

        [$revision, $act] = $saved;

        return new JsonResponse(
            ['data' => self::described($rubric->refresh(), $person), 'act' => $act === null ? null : ActResource::of($act, $person)],
            200,
            ['ETag' => "\"$revision\""],
        );
    }

    #[Operation('Take a rubric away; questions that follow it keep it as their own', status: 204)]
    public function destroy(Rubric $rubric): Response
    {
        Gate::authorize('update', $rubric);
        $rubric->delete();

        return new Response('', 204);
    }

    /**
     * @return array{string, \stdClass} its name and its content in the canonical form, without a link
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private static function read(Fields $fields): array
    {
        $given = $fields->need('rubric')->raw('rubric');
        $rubric = CoreRubric::read($given, '/rubric');
        if (trim($rubric->title) === '') {
            throw Refused::because('rubric.untitled', Message::of('app.http.controllers.rubric-needs-a-name'), '/rubric/title');
        }
        [$content] = Canonical::of((object) ['rubric' => $given]);
        assert($content->rubric instanceof \stdClass);
        unset($content->rubric->link);

        return [$rubric->title, $content->rubric];
    }

    private function whole(Rubric $rubric, User $person): JsonResponse
    {
        return new JsonResponse(['data' => self::described($rubric, $person)], 200, ['ETag' => "\"$rubric->revision\""]);
    }

    /** @return array<string, mixed> */
    private static function described(Rubric $rubric, User $person): array
    {
        $bank = Bank::query()->whereKey($rubric->bank_id)->firstOrFail();

        return [
            'id' => $rubric->id,
            'title' => $rubric->title,
            'rubric' => Json::decode($rubric->content),
            'revision' => $rubric->revision,
            'bank' => ['slug' => $bank->slug, 'name' => $bank->name],
            'may_write' => $person->canEdit($rubric->bank_id),
            'uses' => RubricUses::of($rubric->id, $person),
        ];
    }

    /** @return array<string, mixed> */
    private static function row(\stdClass $row, ?int $uses): array
    {
        assert(is_string($row->content));
        $rubric = CoreRubric::read(Json::decode($row->content), '');

        return [
            'id' => $row->id,
            'title' => $row->title,
            'scheme' => $rubric->scheme->value,
            'criteria' => count($rubric->marked()),
            'highest' => RubricText::number($rubric->highest()),
            'revision' => $row->revision,
            'bank' => ['slug' => $row->bank_slug, 'name' => $row->bank_name],
            'uses' => $uses,
        ];
    }
}
