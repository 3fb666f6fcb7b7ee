<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Media\AddMedium;
use App\Http\OpenApi\Operation;
use App\Models\Bank;
use App\Models\User;
use App\Queries\MediaLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Content\Limits;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Media\Captions;

/** Captions made of a transcript with times. */
final class CaptionsController
{
    #[Operation(
        'Make captions (WebVTT) for a recording of a transcript whose lines begin with their times; they are a medium of the bank',
        response: ['data' => 'Medium', 'is_new' => 'boolean'],
        body: ['transcript' => 'string'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank, string $medium, AddMedium $add, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('write', $bank);
        $recording = $library->one($bank->id, $medium) ?? abort(404);
        $transcript = Fields::of(Json::decode($request->getContent()), '', ['transcript'])
            ->need('transcript')
            ->string('transcript', '', Limits::TRANSCRIPT);
        [$seconds, $name] = [$recording['seconds'], $recording['name']];
        $written = Captions::fromTranscript($transcript, is_numeric($seconds) ? (float) $seconds : null);
        [$id, $isNew] = $add->handle($bank->id, User::asking($request), $written, is_string($name) ? $name : '', null);

        return new JsonResponse(['data' => $library->one($bank->id, $id), 'is_new' => $isNew], $isNew ? 201 : 200);
    }
}
