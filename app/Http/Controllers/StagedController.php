<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Intake\ReviewIntake;
use App\Http\Errors\Problems;
use App\Http\Input\IfMatch;
use App\Http\OpenApi\Operation;
use App\Http\Resources\StagedRowResource;
use App\Indexing\StagedRows;
use App\Models\Intake;
use App\Models\Question;
use App\Queries\QuestionFindings;
use App\Queries\StagedQuestions;
use App\Storage\MediaStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Resources\Json\AnonymousResourceCollection;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Canonical;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question as CoreQuestion;

/** The questions of an intake while they are reviewed. */
final class StagedController
{
    #[Operation(
        'Questions of an intake that meet a filter (show, kind, file, words), 100 a page',
        response: 'StagedPage',
    )]
    public function index(Request $request, Intake $intake): AnonymousResourceCollection
    {
        Gate::authorize('work', $intake);
        $review = StagedQuestions::read($intake, $request->server->getString('QUERY_STRING'));
        $cursor = $request->query('cursor');
        $rows = $review->page(is_string($cursor) ? (int) $cursor : 0);
        $more = count($rows) > StagedQuestions::PAGE;
        $rows = array_slice($rows, 0, StagedQuestions::PAGE);

        return StagedRowResource::collection($rows)->additional([
            'meta' => [
                'next_cursor' => $more ? self::text($rows[StagedQuestions::PAGE - 1]->number) : null,
                'found' => $cursor === null ? $review->count() : null,
            ],
        ]);
    }

    #[Operation('One of them, whole, with what was noticed and the question it is like', response: ['data' => 'StagedQuestion'])]
    public function show(Intake $intake, string $staged, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('work', $intake);
        $row = $this->row($intake, $staged);
        $json = StagedRows::json($row);
        $question = CoreQuestion::read($json, $kinds);

        return new JsonResponse(
            Json::encode([
                'data' => [
                    'id' => $row->id,
                    'number' => $row->number,
                    'version' => $row->version,
                    'question' => $json,
                    'skipped' => $row->skipped,
                    'decision' => $row->decision,
                    'outcome' => $row->outcome,
                    'question_id' => $row->question_id,
                    'findings' => QuestionFindings::of($question, null),
                    'notices' => DB::table('staged_things')
                        ->where('intake_id', $intake->id)
                        ->where('type', 'notice')
                        ->where('question', $row->source_id)
                        ->orderBy('position')
                        ->pluck('value')
                        ->map(fn (mixed $value): mixed => Json::decode(is_string($value) ? $value : '{}'))
                        ->all(),
                    'duplicate' => $this->duplicate($row, $json),
                    'next' => DB::table('staged_questions')
                        ->where('intake_id', $intake->id)
                        ->where('number', '>', $row->number)
                        ->orderBy('number')
                        ->value('id'),
                ],
            ]),
            headers: ['ETag' => "\"$row->version\""],
            json: true,
        );
    }

    #[Operation(
        'Store one as it was mended; If-Match names the version it was started from',
        response: ['data' => 'StagedQuestion'],
        body: ['question' => 'object'],
    )]
    public function update(Request $request, Intake $intake, string $staged, ReviewIntake $review, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('work', $intake);
        $row = $this->row($intake, $staged);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['question', 'note'])->need('question');
        $question = CoreQuestion::read($fields->raw('question'), $kinds);
        $match = IfMatch::of($request);
        if ($match === null || ! $review->mend($intake, $row->id, $question->toJson(), $match)) {
            return Problems::json(
                412,
                'revision.superseded',
                Message::of('app.http.controllers.someone-else-changed-question'),
                ['current_revision' => $this->row($intake, $staged)->version],
            );
        }

        return $this->show($intake, $staged, $kinds);
    }

    #[Operation(
        'Skip or take back in, decide on duplicates, set points, classify: those named, or all that meet a filter',
        response: ['changed' => 'number', 'left' => 'SkippedByTitle[]'],
        body: [
            'ids' => 'uuid[]?',
            'filter' => 'string?',
            'skipped' => 'boolean?',
            'decision' => 'string?',
            'points' => 'number?',
            'record' => 'object?',
            'topics' => 'object?',
            'titles' => 'string?',
        ],
    )]
    public function set(Request $request, Intake $intake, ReviewIntake $review): JsonResponse
    {
        Gate::authorize('work', $intake);
        $fields = Fields::of(Json::decode($request->getContent()), '', [
            'ids',
            'filter',
            'skipped',
            'decision',
            'points',
            'record',
            'topics',
            'titles',
        ]);

        return new JsonResponse($review->set($intake, $fields));
    }

    #[Operation('A picture, sound or film of an intake')]
    public function medium(Intake $intake, string $medium, MediaStore $store): Response
    {
        Gate::authorize('work', $intake);
        $value = DB::table('staged_things')
            ->where('intake_id', $intake->id)
            ->where('type', 'medium')
            ->whereRaw("value->>'id' = ?", [$medium])
            ->value('value');
        /** @var object{sha256: string, type: string, name: string}&\stdClass $known */
        $known = is_string($value) ? Json::object($value) : abort(404);

        return MediaController::answer([
            'bytes' => $store->bytes($known->sha256) ?? abort(404),
            'type' => $known->type,
            'name' => $known->name,
        ]);
    }

    /** @return object{id: string, number: int, version: int}&\stdClass with more columns */
    private function row(Intake $intake, string $staged): \stdClass
    {
        // @phpstan-ignore return.type (its columns)
        return DB::table('staged_questions')->where('intake_id', $intake->id)->where('id', $staged)->first() ?? abort(404);
    }

    /** @return array<string, mixed>|null */
    private function duplicate(\stdClass $row, \stdClass $json): ?array
    {
        if ($row->duplicate_of === null || in_array($row->duplicate_by, ['earlier', 'near_earlier'], true)) {
            $twin = $row->duplicate_of === null ? null : DB::table('staged_questions')->where('id', $row->duplicate_of)->first();

            return $twin === null
                ? null
                : [
                    'by' => $row->duplicate_by,
                    'id' => null,
                    'number' => $twin->number,
                    'title' => $twin->title,
                    'differs' => self::plain(StagedRows::json($twin)) !== self::plain($json),
                    'question' => StagedRows::json($twin),
                    'bank' => null,
                ];
        }
        $stored = Question::query()->with('bank')->where('id', $row->duplicate_of)->first();

        return $stored === null || ! Gate::allows('view', $stored)
            ? null
            : [
                'by' => $row->duplicate_by,
                'id' => $stored->id,
                'number' => null,
                'title' => $stored->title,
                'differs' => self::plain($stored->json()) !== self::plain($json),
                'question' => $stored->json(),
                'bank' => $stored->bank->slug,
            ];
    }

    /** What of a question would differ after it was replaced. */
    private static function plain(\stdClass $json): string
    {
        $clean = Canonical::of($json)[0];
        unset($clean->id, $clean->record);
        $sorted = function (mixed $value) use (&$sorted): mixed {
            if ($value instanceof \stdClass) {
                $fields = (array) $value;
                ksort($fields);

                return (object) array_map($sorted, $fields);
            }

            return is_array($value) ? array_map($sorted, $value) : $value;
        };

        return Json::encode($sorted($clean));
    }

    private static function text(mixed $value): string
    {
        return is_scalar($value) ? (string) $value : '';
    }
}
