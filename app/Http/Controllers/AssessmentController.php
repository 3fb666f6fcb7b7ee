<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Assembly\SaveAssessment;
use App\Errors\Refused;
use App\Http\Errors\Problems;
use App\Http\Input\AssessmentPlace;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\AssessmentResource;
use App\Models\Assessment;
use App\Models\Bank;
use App\Models\User;
use App\Policies\ReadableIds;
use App\Queries\AssessmentComparison;
use App\Queries\AssessmentEntries;
use App\Queries\AssessmentRevisions;
use App\Queries\Assessments;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use Illuminate\Support\Str;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\FolderPath;
use WideQuarry\Assembly\Merge;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

final class AssessmentController
{
    private const MOST_MERGED = 50;

    private const MADE_OF = ['title', 'bank', 'questions', 'like', 'merge', 'folder', 'course', 'term', 'rolls', 'revisions'];

    #[Operation(
        'The assessments one may read, those opened last first, then the last changed (?is=binned: those in the bin)',
        response: ['data' => 'AssessmentRow[]'],
    )]
    public function index(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => Assessments::readable(User::asking($request), $request->query('is') === 'binned')]);
    }

    #[Operation(
        'One assessment, with what stands behind its entries and what they add up to; ETag is its version',
        response: ['data' => 'Assessment'],
    )]
    public function show(Assessment $assessment): JsonResponse
    {
        Gate::authorize('view', $assessment);

        return $this->answer($assessment, false);
    }

    #[Operation('What two assessments have in common, and what is nearly the same in them', response: ['data' => 'AssessmentComparison'])]
    public function compare(Request $request, Assessment $assessment, string $other): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $there = Assessment::query()->findOrFail($other);
        Gate::authorize('view', $there);
        $compared = AssessmentComparison::of($assessment->document(), $there->document(), User::asking($request));

        return new JsonResponse(['data' => $compared]);
    }

    #[Operation(
        'Make an assessment in a bank: empty, of questions, like another, or of several merged',
        response: ['data' => 'Assessment'],
        body: [
            'title' => 'string',
            'bank' => 'string',
            'questions' => 'uuid[]?',
            'like' => 'uuid?',
            'merge' => 'uuid[]?',
            'folder' => 'string[]?',
            'course' => 'string?',
            'term' => 'string?',
            'rolls' => 'boolean?',
            'revisions' => 'string?',
        ],
        status: 201,
    )]
    public function store(Request $request, SaveAssessment $save, PartKinds $kinds): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', self::MADE_OF);
        $bank = Bank::query()->where('slug', $fields->string('bank'))->first();
        if ($bank === null || ! Gate::allows('write', $bank)) {
            throw Refused::because('assessment.bank', Message::of('app.http.controllers.choose-bank-you-can'), '/bank');
        }
        $title = trim($fields->string('title', '', 500));
        if ($title === '') {
            throw Refused::because('assessment.no_title', Message::of('app.http.controllers.assessment-needs-name'), '/title');
        }
        $json = Document::fresh((string) Str::uuid7(), $title);
        $original = null;
        if ($fields->has('like')) {
            $model = Assessment::query()->findOrFail(Fields::asUuid($fields->raw('like'), '/like'));
            Gate::authorize('view', $model);
            $original = $model->document();
            $like = self::like($original, $fields);
            [$like->id, $like->title, $like->state] = [$json->id, $title, 'draft'];
            $json = $like;
        } elseif ($fields->has('merge')) {
            $json = (new Merge)->of(self::merged($fields), (string) Str::uuid7(), $title);
            $original = Document::read($json, $kinds);
        }
        $place = AssessmentPlace::read($fields, $model ?? null);
        $made = $save->create($json, $bank->id, User::asking($request), $original);
        $made->update([
            ...$place->columns(),
            ...isset($model) && $fields->bool('rolls', false) ? ['print' => $model->print] : [],
        ]);
        if ($fields->has('questions')) {
            $this->append($made, $fields, $request, $save);
        }

        return $this->answer($made->refresh())->setStatusCode(201);
    }

    /** @return \stdClass what a duplicate asks: as the original does, or every question as it is now, followed or pinned */
    private static function like(Document $original, Fields $fields): \stdClass
    {
        return match ($fields->oneOf('revisions', ['as_they_are', 'follow', 'pin'], 'as_they_are')) {
            'follow' => $original->following(),
            'pin' => $original->allPinned(AssessmentRevisions::newest($original)),
            default => $original->toJson(),
        };
    }

    #[Operation(
        'Where an assessment lies in its bank, and for which course and term',
        response: ['data' => 'Assessment'],
        body: ['folder' => 'string[]?', 'course' => 'string?', 'term' => 'string?'],
    )]
    public function place(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('restore', $assessment);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['folder', 'course', 'term']);
        Assessment::query()
            ->whereKey($assessment->id)
            ->update([...AssessmentPlace::read($fields, $assessment)->columns(), 'updated_at' => $assessment->updated_at]);

        return $this->answer($assessment->refresh());
    }

    #[Operation(
        'Move or rename a folder of assessments: all that lies in it goes along',
        response: ['moved' => 'number'],
        body: ['bank' => 'string', 'from' => 'string[]', 'to' => 'string[]'],
    )]
    public function moveFolder(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['bank', 'from', 'to'])->need('from')->need('to');
        $bank = Bank::query()->where('slug', $fields->string('bank'))->first();
        if ($bank === null || ! Gate::allows('write', $bank)) {
            throw Refused::because('assessment.bank', Message::of('app.http.controllers.choose-bank-you-can'), '/bank');
        }
        [$from, $to] = [FolderPath::read($fields, 'from'), FolderPath::read($fields, 'to')];
        if ($from === []) {
            throw Malformed::outOfRange('/from', Message::of('app.http.controllers.a-folder'), '');
        }

        return new JsonResponse(['moved' => Assessments::moveFolder($bank->id, $from, $to)]);
    }

    #[Operation('Say that one has opened it: it comes first in one’s list', status: 204)]
    public function opened(Request $request, Assessment $assessment, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('view', $assessment);
        $person = User::asking($request);
        Assessments::opened($assessment->id, $person);
        Assessments::keepTotals($assessment->id, AssessmentEntries::of($assessment->document(), $person, $kinds)->totals());

        return new JsonResponse(null, 204);
    }

    #[Operation('What the assessments one may read are about', response: ['data' => 'AssessmentTopic[]'])]
    public function topics(Request $request): JsonResponse
    {
        return new JsonResponse(['data' => Assessments::topics(User::asking($request))]);
    }

    /** @return list<Document> those that are to become one, which the person may read */
    private static function merged(Fields $fields): array
    {
        $documents = [];
        foreach ($fields->list('merge', self::MOST_MERGED) as $i => $id) {
            $model = Assessment::query()->findOrFail(Fields::asUuid($id, "/merge/$i"));
            Gate::authorize('view', $model);
            $documents[] = $model->document();
        }

        return $documents;
    }

    #[Operation(
        'Store the next version; If-Match names the one it was started from',
        response: ['data' => 'Assessment'],
        body: ['content' => 'object'],
    )]
    public function update(Request $request, Assessment $assessment, SaveAssessment $save): JsonResponse
    {
        Gate::authorize('update', $assessment);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['content'])->need('content');
        $content = $fields->raw('content');
        $match = IfMatch::of($request);
        if ($match === null) {
            return Problems::json(428, 'revision.unnamed', Message::of('app.http.controllers.say-match-version-started'));
        }
        if (! $save->revise($assessment, $content instanceof \stdClass ? $content : new \stdClass(), $match, User::asking($request))) {
            return Problems::superseded($assessment->version);
        }

        return $this->answer($assessment->refresh());
    }

    #[Operation(
        'Add questions at the end of a section; those it has already are left out',
        response: ['data' => 'Assessment'],
        body: ['questions' => 'uuid[]', 'section' => 'string?'],
    )]
    public function add(Request $request, Assessment $assessment, SaveAssessment $save): JsonResponse
    {
        Gate::authorize('update', $assessment);
        $this->append(
            $assessment,
            Fields::of(Json::decode($request->getContent()), '', ['questions', 'section'])->need('questions'),
            $request,
            $save,
        );

        return $this->answer($assessment->refresh());
    }

    #[Operation('Put an assessment into the bin; its questions stay in their banks', status: 204)]
    public function destroy(Request $request, Assessment $assessment): JsonResponse
    {
        Gate::authorize('restore', $assessment);
        Assessment::query()
            ->whereKey($assessment->id)
            ->whereNull('binned_at')
            ->update(['binned_at' => now(), 'binned_by' => User::asking($request)->id, 'updated_at' => $assessment->updated_at]);

        return new JsonResponse(null, 204);
    }

    #[Operation('Take an assessment out of the bin, as it was', response: ['data' => 'Assessment'])]
    public function restore(Assessment $assessment): JsonResponse
    {
        Gate::authorize('restore', $assessment);
        Assessment::query()
            ->whereKey($assessment->id)
            ->update(['binned_at' => null, 'binned_by' => null, 'updated_at' => $assessment->updated_at]);

        return $this->answer($assessment->refresh());
    }

    private function append(Assessment $assessment, Fields $fields, Request $request, SaveAssessment $save): void
    {
        $ids = [];
        foreach ($fields->list('questions', 2000) as $i => $id) {
            $ids[] = Fields::asUuid($id, "/questions/$i");
        }
        $person = User::asking($request);
        $revisions = ReadableIds::of($person)->questions($ids);
        $section = $fields->has('section') ? $fields->string('section') : null;
        do {
            // somebody else may save between reading and storing; what is added is added to what they made
            $now = $assessment->refresh();
            Gate::authorize('update', $now);
        } while (! $save->revise($now, $now->document()->with($revisions, $section), $now->version, $person));
    }

    private function answer(Assessment $assessment, bool $isChanged = true): JsonResponse
    {
        $resource = new AssessmentResource($assessment);
        $resource->isJustStored = $isChanged;
        $response = $resource->response();
        if ($isChanged && $resource->totals !== null) {
            Assessments::keepTotals($assessment->id, $resource->totals);
        }

        return $response->header('ETag', "\"$assessment->version\"");
    }
}
