<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Question\PlacesChange;
use WideQuarry\Question\RecordChange;

/** The record of a question that is not stored yet, changed as that of a stored one would be. */
final class RecordController
{
    #[Operation(
        'Change a record that is not stored',
        response: ['record' => 'RecordJson'],
        body: ['record' => 'object', 'change' => 'object'],
    )]
    public function __invoke(Request $request): JsonResponse
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['record', 'change'])
            ->need('record')
            ->need('change');
        $change = $fields->object('change', ['record', 'topics', 'folders']);
        $record = $fields->raw('record');
        $topics = $record instanceof \stdClass && is_array($record->topics ?? null) ? $record->topics : [];
        $after = RecordChange::read($change->has('record') ? $change->raw('record') : new \stdClass(), '/change/record')->apply(
            $record instanceof \stdClass ? $record : new \stdClass(),
        );
        $paths = PlacesChange::read($change->object('topics', ['set', 'add', 'remove']))->apply($topics); // @phpstan-ignore argument.type
        unset($after->topics);
        if ($paths !== []) {
            $after->topics = $paths;
        }

        return new JsonResponse(Json::encode(['record' => $after]), json: true);
    }
}
