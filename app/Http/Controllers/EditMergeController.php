<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\Assessment;
use App\Models\User;
use App\Queries\QuestionTitles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Gate;
use WideQuarry\Assembly\Assessment as Document;
use WideQuarry\Assembly\EditMerge;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;
use WideQuarry\Json\Malformed;
use WideQuarry\Messages\Message;
use WideQuarry\Question\PartKinds;

/** Edits that somebody could not store since somebody else was faster, put together with what is stored. */
final class EditMergeController
{
    private const BYTES = 8_000_000;

    #[Operation(
        'Merge edits with what is stored, thing by thing; nothing is stored. choose: conflict to mine or theirs',
        response: ['data' => 'MergedEdits'],
        body: ['base' => 'object', 'mine' => 'object', 'choose' => 'object?'],
    )]
    public function __invoke(Request $request, Assessment $assessment, PartKinds $kinds): JsonResponse
    {
        Gate::authorize('update', $assessment);
        abort_if(strlen($request->getContent()) > self::BYTES, 413);
        $fields = Fields::of(Json::decode($request->getContent()), '', ['base', 'mine', 'choose'])->need('base')->need('mine');
        [$base, $mine] = [self::read($fields, 'base', $kinds), self::read($fields, 'mine', $kinds)];
        $theirs = $assessment->stored();
        $titles = QuestionTitles::of([...$mine->questions(), ...$theirs->questions()], User::asking($request));
        $merge = new EditMerge($base, $mine, $theirs, $titles, $kinds);

        return new JsonResponse(
            Json::encode([
                'data' => [
                    'content' => $merge->merged(self::chosen($fields)),
                    'conflicts' => $merge->conflicts(),
                    'version' => $assessment->version,
                ],
            ]),
            json: true,
        );
    }

    /** @throws Malformed */
    private static function read(Fields $fields, string $field, PartKinds $kinds): Document
    {
        try {
            return Document::read($fields->raw($field), $kinds);
        } catch (Malformed $problem) {
            throw $problem->under("/$field");
        }
    }

    /**
     * @return array<string, 'mine'|'theirs'>
     *
     * @throws Malformed
     */
    private static function chosen(Fields $fields): array
    {
        $chosen = [];
        $given = $fields->raw('choose') ?? new \stdClass;
        if (! $given instanceof \stdClass) {
            throw Malformed::wrongType('/choose', Message::of('app.http.controllers.conflict-to-side'), $given);
        }
        foreach (get_object_vars($given) as $key => $side) {
            $chosen[(string) $key] = $side === 'mine' || $side === 'theirs'
                ? $side
                : throw Malformed::notOneOf("/choose/$key", ['mine', 'theirs'], $side);
        }

        return $chosen;
    }
}
