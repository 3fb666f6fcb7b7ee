<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SaveStimulus;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\Input\NewId;
use App\Http\OpenApi\Operation;
use App\Http\Resources\StimulusResource;
use App\Models\Bank;
use App\Models\Stimulus;
use App\Models\User;
use App\Queries\Folders;
use App\Search\StimulusSearch;
use App\Storage\MediaStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\QuestionMedia;
use WideQuarry\Stimulus\Stimulus as CoreStimulus;

/** Passages, figures and tables that questions share. */
final class StimulusController
{
    #[Operation('Stimuli of the banks one may read (?bank, ?words, ?folder, ?only=unused or binned), 60 a page', response: 'StimulusPage')]
    public function index(Request $request, StimulusSearch $search): JsonResponse
    {
        $text = fn (string $name): string => is_string($value = $request->query($name)) ? $value : '';
        $bank = $text('bank') === '' ? null : Bank::query()->where('slug', $text('bank'))->firstOrFail();
        if ($bank !== null) {
            Gate::authorize('view', $bank);
        }
        $folder = preg_match('/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/D', $text('folder')) === 1 ? $text('folder') : '';
        [$rows, $next, $found] = $search->page(User::asking($request), $bank?->id, [
            'words' => mb_scrub(str_replace("\0", '', $text('words'))),
            'folder' => $folder,
            'only' => $text('only'),
            'cursor' => $text('cursor'),
        ]);

        return new JsonResponse(['data' => $rows, 'meta' => ['next_cursor' => $next, 'found' => $found]]);
    }

    #[Operation(
        'Write a new stimulus into a bank',
        response: ['data' => 'WholeStimulus'],
        body: ['stimulus' => 'object', 'folders' => 'string[][]?', 'note' => 'string?'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank, SaveStimulus $save): JsonResponse
    {
        Gate::authorize('write', $bank);
        [$stimulus, $fields] = $this->read($request, ['stimulus', 'folders', 'note']);
        $there = Stimulus::query()->find($stimulus->id);
        if ($there !== null && Gate::allows('view', $there)) {
            return Problems::json(
                409,
                'stimulus.exists',
                Message::of('app.http.controllers.stimulus-identifier-exists-already'),
                ['path' => '/stimulus/id'],
            );
        }
        $stimulus = $stimulus->called(NewId::from($stimulus->id));
        $made = DB::transaction(function () use ($save, $stimulus, $bank, $request, $fields): bool {
            $made = $save->create($stimulus, $bank->id, User::asking($request), $fields->string('note', '', 500));
            if ($made && $fields->has('folders')) {
                $save->place($stimulus->id, $bank->id, Folders::read($fields));
            }

            return $made;
        });

        return $made
            ? $this->whole($stimulus->id)->setStatusCode(201)
            : Problems::json(
                409,
                'stimulus.exists',
                Message::of('app.http.controllers.stimulus-identifier-exists-already'),
                ['path' => '/stimulus/id'],
            );
    }

    #[Operation('One stimulus, whole; ETag is its revision', response: ['data' => 'WholeStimulus'])]
    public function show(Stimulus $stimulus): JsonResponse
    {
        Gate::authorize('view', $stimulus);

        return $this->whole($stimulus->id);
    }

    #[Operation(
        'Save a new revision; If-Match names the one it was started from',
        response: ['data' => 'WholeStimulus'],
        body: ['stimulus' => 'object', 'note' => 'string?'],
    )]
    public function update(Request $request, Stimulus $stimulus, SaveStimulus $save): JsonResponse
    {
        Gate::authorize('update', $stimulus);
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-revision-started'));
        }
        [$content, $fields] = $this->read($request, ['stimulus', 'note']);
        if ($content->id !== $stimulus->id) {
            return Problems::json(422, 'stimulus.other_id', Message::of('app.http.controllers.identifier-not-stimulus-address'), [
                'path' => '/stimulus/id',
            ]);
        }
        if ($save->revise($content, $match, User::asking($request), $fields->string('note', '', 500)) === null) {
            return Problems::json(
                412,
                'revision.superseded',
                Message::of('app.http.controllers.someone-else-saved-stimulus'),
                ['current_revision' => $stimulus->revision],
            );
        }

        return $this->whole($stimulus->id);
    }

    #[Operation(
        'Where a stimulus lies in its bank, and whether it is in the bin',
        response: ['data' => 'WholeStimulus'],
        body: ['folders' => 'string[][]?', 'binned' => 'boolean?'],
    )]
    public function place(Request $request, Stimulus $stimulus, SaveStimulus $save): JsonResponse
    {
        Gate::authorize('update', $stimulus);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['folders', 'binned']);
        if ($fields->has('folders')) {
            $save->place($stimulus->id, $stimulus->bank_id, Folders::read($fields));
        }
        if ($fields->has('binned')) {
            if ($fields->bool('binned', false)) {
                $save->bin($stimulus->id);
            } else {
                $save->restore($stimulus->id);
            }
        }

        return $this->whole($stimulus->id);
    }

    #[Operation('The bytes of a picture in a stimulus')]
    public function medium(Request $request, Stimulus $stimulus, string $medium, MediaStore $store): Response
    {
        Gate::authorize('view', $stimulus);
        // through a stimulus one reads its own pictures, not all of its bank
        $named = DB::table('stimulus_revisions')
            ->where('stimulus_id', $stimulus->id)
            ->whereRaw('strpos(content::text, ?) > 0', [$medium])
            ->pluck('content')
            ->contains(fn (mixed $content): bool => is_string($content)
                && in_array($medium, QuestionMedia::in(Json::decode($content)), true));

        $shown = $named ? $store->shown($stimulus->bank_id, $medium, $request->integer('width')) : null;

        return MediaController::answer($shown ?? abort(404));
    }

    private function whole(string $id): JsonResponse
    {
        $stimulus = Stimulus::query()->with('bank')->findOrFail($id);

        return (new StimulusResource($stimulus))->response()->header('ETag', "\"$stimulus->revision\"");
    }

    /**
     * @param  list<string>  $known
     * @return array{CoreStimulus, Fields}
     *
     * @throws \WideQuarry\Json\Malformed
     */
    private function read(Request $request, array $known): array
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', $known)->need('stimulus');

        return [CoreStimulus::read($fields->raw('stimulus')), $fields];
    }
}
