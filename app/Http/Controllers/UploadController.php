<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Media\ReceivePieces;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\Upload;
use App\Models\User;
use App\Queries\MediaLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Media\MediaLimits;

/** Files above 8 MB, piece by piece: a line that drops costs one piece. */
final class UploadController
{
    #[Operation(
        'Announce a file of so many bytes for the library of a bank; it comes in pieces of at most `piece` bytes',
        response: ['data' => 'Upload'],
        body: ['name' => 'string', 'bytes' => 'integer', 'alt' => 'string?'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank, ReceivePieces $pieces): JsonResponse
    {
        Gate::authorize('write', $bank);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['name', 'bytes', 'alt'])->need('name')->need('bytes');
        $upload = $pieces->begin(
            $bank->id,
            User::asking($request),
            $fields->string('name', '', 1000),
            $fields->int('bytes', 0, 1, PHP_INT_MAX),
            $fields->raw('alt') === null ? null : $fields->string('alt', '', MediaLimits::ALT),
        );

        return self::state($upload, 201);
    }

    #[Operation('How much of a file has arrived', response: ['data' => 'Upload'])]
    public function show(Request $request, string $upload): JsonResponse
    {
        return self::state($this->own($request, $upload));
    }

    #[Operation('A piece of a file (application/octet-stream), from the byte ?from on', response: ['data' => 'Upload'])]
    public function piece(Request $request, string $upload, ReceivePieces $pieces): JsonResponse
    {
        $this->own($request, $upload);

        return self::state($pieces->take($upload, max(0, $request->integer('from')), $request->getContent()));
    }

    #[Operation(
        'The file is whole: take it into the library; 200 when the bank has the same file already',
        response: ['data' => 'Medium', 'is_new' => 'boolean'],
        status: 201,
    )]
    public function finish(Request $request, string $upload, ReceivePieces $pieces, MediaLibrary $library): JsonResponse
    {
        $own = $this->own($request, $upload);
        [$id, $isNew] = $pieces->finish($own, User::asking($request));

        return new JsonResponse(['data' => $library->one($own->bank_id, $id), 'is_new' => $isNew], $isNew ? 201 : 200);
    }

    #[Operation('Give a file up that is on its way')]
    public function destroy(Request $request, string $upload): Response
    {
        ReceivePieces::forget($this->own($request, $upload)->id);

        return new Response(status: 204);
    }

    /** One's own, for a bank one may still write. */
    private function own(Request $request, string $id): Upload
    {
        $upload = Upload::query()->where('user_id', User::asking($request)->id)->findOrFail($id);
        Gate::authorize('write', Bank::query()->findOrFail($upload->bank_id));

        return $upload;
    }

    private static function state(Upload $upload, int $status = 200): JsonResponse
    {
        return new JsonResponse(
            [
                'data' => [
                    'id' => $upload->id,
                    'bytes' => $upload->bytes,
                    'received' => $upload->received,
                    'piece' => MediaLimits::AT_ONCE,
                ],
            ],
            $status,
        );
    }
}
