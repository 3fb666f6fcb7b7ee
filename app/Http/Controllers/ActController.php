<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Bulk\BeginOperation;
use App\Actions\Bulk\BulkOperation;
use App\Actions\Bulk\PreviewOperation;
use App\Actions\Media\AllowReplacement;
use App\Errors\Refused;
use App\Http\OpenApi\Operation;
use App\Http\Resources\ActResource;
use App\Models\Bank;
use App\Models\User;
use App\Queries\BulkHistory;
use App\Search\QuestionFilter;
use Illuminate\Database\Query\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Bulk\BulkChange;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** What is done to many questions at once: looked at beforehand, done, followed, undone. */
final class ActController
{
    private const MOST = 50_000;

    private const PAGE = 60;

    private const BODY = [
        'ids' => 'uuid[]?',
        'filter' => 'string?',
        'from' => 'string?',
        'record' => 'object?',
        'topics' => 'object?',
        'folders' => 'object?',
        'content' => 'object?',
        'bin' => 'boolean?',
        'home' => 'boolean?',
    ];

    #[Operation(
        'Change questions, those named or all that meet a filter: at once where they are few, otherwise in the background',
        response: 'Act',
        body: self::BODY,
    )]
    public function store(Request $request, Bank $bank, BeginOperation $begin): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$target, $change, , $from] = $this->asked($request, $bank);

        return $this->shown($begin->change($bank, $target, $change, User::asking($request), $from));
    }

    #[Operation(
        'What such a change would do: how many questions, and some of them before and after',
        response: 'Preview',
        body: self::BODY,
    )]
    public function preview(Request $request, Bank $bank, PreviewOperation $preview): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$target, $change, , $from] = $this->asked($request, $bank);

        return new JsonResponse(
            Json::encode($preview->handle($bank, $target, BulkChange::read($change), User::asking($request), $from)),
            json: true,
        );
    }

    #[Operation(
        'Every place where a replacement would be made, some hundred questions at a time; next is where to go on',
        response: 'ReplacePlacesPage',
        body: [...self::BODY, 'after' => 'uuid?'],
    )]
    public function places(Request $request, Bank $bank, PreviewOperation $preview): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$target, $change, $after] = $this->asked($request, $bank);
        $replacing =
            BulkChange::read($change)->content->replacing() ??
            throw Refused::because('act.no_words', Message::of('app.http.controllers.enter-find'), '/content/replace');

        return new JsonResponse(Json::encode($preview->places($bank, $target, $replacing, $after, User::asking($request))), json: true);
    }

    #[Operation('What was done to many questions of a bank, the newest first', response: ['data' => 'Act[]'])]
    public function index(Request $request, Bank $bank): JsonResponse
    {
        Gate::authorize('write', $bank);
        $acts = DB::table('bulk_operations')
            ->where('bank_id', $bank->id)
            ->whereNotNull('what')
            ->where(fn (Builder $query) => $query->where('total', '>', 1)->orWhereIn('kind', ['copy', 'carry', 'merge', 'remove']))
            ->orderByDesc('id')
            ->limit(self::PAGE)
            ->pluck('id')
            ->all();

        return new JsonResponse(['data' => ActResource::many(array_values(array_filter($acts, is_string(...))), User::asking($request))]);
    }

    #[Operation('One such act: how far it is, what it left', response: 'Act')]
    public function show(Request $request, string $act): JsonResponse
    {
        $this->readable($act);

        return $this->shown($act);
    }

    #[Operation('What an act changed, question by question (?after=ID)', response: 'ChangesPage')]
    public function changes(Request $request, string $act): JsonResponse
    {
        $this->readable($act);
        $after = Fields::asUuid($request->query('after') ?? '00000000-0000-0000-0000-000000000000', '/after');
        $rows = BulkHistory::changes($act, User::asking($request), $after, self::PAGE);

        return new JsonResponse([
            'data' => array_map(
                fn (\stdClass $row): array => ['id' => $row->id, 'title' => $row->title, 'fields' => Json::decode($row->fields)],
                $rows,
            ),
            'next' => count($rows) === self::PAGE ? $rows[self::PAGE - 1]->id : null,
        ]);
    }

    #[Operation('Stop an act; what it has changed stays changed and can be undone', status: 204)]
    public function stop(string $act): Response
    {
        $this->readable($act);
        BulkOperation::ended($act, 'stopped');

        return new Response('', 204);
    }

    #[Operation('Go on with an act that was stopped or failed', response: 'Act')]
    public function resume(string $act, BeginOperation $begin): JsonResponse
    {
        $this->readable($act);
        $begin->resume($act);

        return $this->shown($act);
    }

    #[Operation(
        'Undo an act of one’s own: what is still as it left it is put back; questions named are put back whatever became of them',
        response: 'Act',
        body: ['questions' => 'uuid[]?'],
    )]
    public function undo(Request $request, string $act, BeginOperation $begin): JsonResponse
    {
        $person = User::asking($request);
        $stored = DB::table('bulk_operations')->where('id', $act)->where('user_id', $person->id)->exists();
        if (! $stored) {
            abort(404);
        }
        // Places are those of the act's bank; everything else is written where a question lives, or lived.
        foreach (Bank::query()->whereIn('id', BulkHistory::banks($act))->get() as $bank) {
            Gate::authorize('write', $bank);
        }
        $fields = Fields::of(Json::decode($request->getContent()), '', ['questions']);
        $only = $fields->has('questions')
            ? array_map(
                fn (mixed $id, int $i): string => Fields::asUuid($id, "/questions/$i"),
                $list = $fields->list('questions', BulkOperation::AT_ONCE),
                array_keys($list),
            )
            : null;

        return $this->shown($begin->undo($act, $person, $only));
    }

    /** Who may write in the bank follows what is done there. */
    private function readable(string $act): void
    {
        $bank = Bank::query()->find(DB::table('bulk_operations')->where('id', $act)->whereNotNull('what')->value('bank_id')) ?? abort(404);
        Gate::authorize('write', $bank);
    }

    private function shown(string $act): JsonResponse
    {
        return new JsonResponse(ActResource::of($act, User::asking(request())));
    }

    /**
     * @return array{list<string>|string, \stdClass, string|null, string} ids or a filter; the change; after which question to go on; the
     * bank where the filter looks
     */
    private function asked(Request $request, Bank $bank): array
    {
        $json = Json::decode($request->getContent());
        $fields = Fields::of($json, '', ['ids', 'filter', 'from', 'after', ...BulkChange::FIELDS]);
        assert($json instanceof \stdClass);
        $change = (object) array_intersect_key((array) $json, array_flip(BulkChange::FIELDS));
        $after = $fields->raw('after') === null ? null : $fields->uuid('after');
        $media = BulkChange::read($change)->content->replacedMedium();
        if ($media !== null) {
            AllowReplacement::in($bank->id, $media['from'], $media['to'], '/content/media/to');
        }
        if ($fields->has('filter')) {
            $from = $fields->has('from') ? Bank::query()->where('slug', $fields->string('from', '', 100))->first() ?? abort(404) : $bank;
            $filter = $fields->string('filter', '', 20_000);
            Gate::authorize(QuestionFilter::fromQuery($filter)->inBin() ? 'write' : 'view', $from);

            return [$filter, $change, $after, $from->id];
        }

        return [
            array_map(
                fn (mixed $id, int $i): string => Fields::asUuid($id, "/ids/$i"),
                $list = $fields->list('ids', self::MOST),
                array_keys($list),
            ),
            $change,
            $after,
            $bank->id,
        ];
    }
}
