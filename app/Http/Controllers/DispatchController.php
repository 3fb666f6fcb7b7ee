<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Dispatch\FindLosses;
use App\Actions\Dispatch\OpenDispatch;
use App\Actions\Prune;
use App\Errors\Refused;
use App\Http\Files\FileName;
use App\Http\OpenApi\Operation;
use App\Jobs\WriteOut;
use App\Models\User;
use App\Policies\DispatchRights;
use App\Queries\Transfers;
use App\Storage\FileStore;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\BinaryFileResponse;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** Questions and assessments on their way out. */
final class DispatchController
{
    private const LARGE = 2000; // questions

    private const FIELDS = [
        'format', 'questions', 'bank', 'filter', 'assessment', 'key', 'feedback', 'classification', 'notes', 'rolls', 'columns',
    ];

    #[Operation(
        'Write questions, a bank or what of it meets a filter, or an assessment to a file; what does not survive is told '
            .'before it is fetched',
        response: ['data' => 'Dispatch'],
        body: [
            'format' => 'string',
            'questions' => 'uuid[]?',
            'bank' => 'string?',
            'filter' => 'string?',
            'assessment' => 'uuid?',
            'key' => 'boolean?',
            'feedback' => 'boolean?',
            'classification' => 'boolean?',
            'notes' => 'boolean?',
            'rolls' => 'integer?',
            'columns' => 'string[]?',
        ],
        status: 201,
    )]
    public function store(Request $request, OpenDispatch $open): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', self::FIELDS);
        $id = $open->handle($fields, User::asking($request));
        WriteOut::dispatch($id, User::asking($request)->id, Transfers::size($id) > self::LARGE);

        return $this->show($request, $id)->setStatusCode(201);
    }

    #[Operation(
        'What would not survive in a format, with the questions concerned, before anything is written',
        response: ['data' => 'Losses'],
        body: [
            'format' => 'string',
            'questions' => 'uuid[]?',
            'bank' => 'string?',
            'filter' => 'string?',
            'assessment' => 'uuid?',
            'key' => 'boolean?',
            'feedback' => 'boolean?',
            'classification' => 'boolean?',
            'notes' => 'boolean?',
            'rolls' => 'integer?',
            'columns' => 'string[]?',
        ],
    )]
    public function losses(Request $request, FindLosses $find): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', self::FIELDS);

        return new JsonResponse(['data' => $find->handle($fields, User::asking($request))]);
    }

    #[Operation('A dispatch: how it stands, and what did not survive', response: ['data' => 'Dispatch'])]
    public function show(Request $request, string $dispatch): JsonResponse
    {
        $row = $this->row($request, $dispatch);

        return new JsonResponse(
            Json::encode([
                'data' => [
                    'id' => $row->id,
                    'title' => $row->title,
                    'format' => $row->format,
                    'state' => $row->state,
                    'problem' => $row->problem,
                    'receipt' => $row->receipt_id,
                    'created_at' => $row->created_at,
                    'body' => Json::decode($row->body ?? 'null'),
                ],
            ]),
            json: true,
        );
    }

    /** Formats that are no packages → their media types. */
    private const DOCUMENTS = [
        'docx' => 'application/vnd.openxmlformats-officedocument.wordprocessingml.document',
        'odt' => 'application/vnd.oasis.opendocument.text',
        'md' => 'text/markdown; charset=utf-8',
        'html' => 'text/html; charset=utf-8',
        'csv' => 'text/csv; charset=utf-8',
        'xlsx' => 'application/vnd.openxmlformats-officedocument.spreadsheetml.sheet',
    ];

    #[Operation('The file of a dispatch')]
    public function file(Request $request, string $dispatch, FileStore $files): BinaryFileResponse
    {
        $row = $this->row($request, $dispatch);
        if ($row->sha256 === null && $row->state === 'ready') {
            throw Refused::because('dispatch.deleted', Message::of('app.http.controllers.file-deleted-after-days', [
                'fileDays' => Prune::FILE_DAYS,
            ]));
        }
        if ($row->sha256 === null || ! DispatchRights::allow(User::asking($request), Json::object($row->what))) {
            abort(404);
        }

        $format = $row->format;

        return new BinaryFileResponse($files->path($row->sha256), 200, [
            'Content-Type' => self::DOCUMENTS[$format] ?? 'application/zip',
            'Content-Disposition' => FileName::attachment(
                $row->title,
                $row->id,
                isset(self::DOCUMENTS[$format]) ? ".$format" : ($format === 'pack' ? '' : "-$format").'.zip',
            ),
            'Cache-Control' => 'private',
        ]);
    }

    /**
     * @return object{id: string, title: string, format: string, state: string, problem: string|null, receipt_id: string|null,
     *     created_at: string, body: string|null, what: string, sha256: string|null}&\stdClass
     */
    private function row(Request $request, string $dispatch): \stdClass
    {
        // @phpstan-ignore return.type (its columns)
        return DB::table('dispatches')->where('id', $dispatch)->where('user_id', User::asking($request)->id)->first() ?? abort(404);
    }
}
