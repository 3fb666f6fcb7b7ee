<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\Media\AddMedium;
use App\Errors\Refused;
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
use WideQuarry\Media\MediaType;
use WideQuarry\Messages\Message;

/** Captions made from a transcript with times. */
final class CaptionsController
{
    #[Operation(
        'Make captions (WebVTT) for a recording from a transcript whose lines start with their times; they become a medium of the bank',
        response: ['data' => 'Medium', 'is_new' => 'boolean'],
        body: ['transcript' => 'string'],
        status: 201,
    )]
    public function store(Request $request, Bank $bank, string $medium, AddMedium $add, MediaLibrary $library): JsonResponse
    {
        Gate::authorize('write', $bank);
        $recording = $library->one($bank->id, $medium) ?? abort(404);
        if (! is_string($recording['type']) || ! in_array(MediaType::kind($recording['type']), ['audio', 'video'], true)) {
            throw Refused::because('captions.no_recording', Message::of('app.http.controllers.captions-need-recording'));
        }
        $transcript = Fields::of(Json::decode($request->getContent()), '', ['transcript'])
            ->need('transcript')
            ->string('transcript', '', Limits::TRANSCRIPT);
        [$seconds, $name] = [$recording['seconds'], $recording['name']];
        $written = Captions::fromTranscript($transcript, is_numeric($seconds) ? (float) $seconds : null);
        [$id, $isNew] = $add->handle($bank->id, User::asking($request), $written, is_string($name) ? $name : '', null);

        return new JsonResponse(['data' => $library->one($bank->id, $id), 'is_new' => $isNew], $isNew ? 201 : 200);
    }
}
