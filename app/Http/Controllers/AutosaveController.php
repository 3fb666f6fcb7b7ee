<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenApi\Operation;
use App\Models\User;
use App\Storage\Quota;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Fields;
use WideQuarry\Json\Json;

/** What a person has typed and not saved: theirs alone, apart from revisions. The subject is a question's id or new:SLUG. */
final class AutosaveController
{
    #[Operation('What was typed and not saved; 204 when there is nothing', response: 'Autosave')]
    public function show(Request $request, string $subject): Response|JsonResponse
    {
        $kept = DB::table('autosaves')->where($this->key($request, $subject))->first();
        if ($kept === null) {
            return new Response('', 204);
        }

        return new JsonResponse(
            Json::encode([
                'base_revision' => $kept->base_revision,
                'content' => Json::decode(is_string($kept->content) ? $kept->content : 'null'),
                'updated_at' => $kept->updated_at,
            ]),
            json: true,
        );
    }

    #[Operation('Keep what was typed', body: ['base_revision' => 'integer?', 'content' => 'object'], status: 204)]
    public function update(Request $request, string $subject): Response
    {
        $fields = Fields::of(Json::decode($request->getContent()), '', ['base_revision', 'content'])->need('content');
        abort_if(strlen($request->getContent()) > 2_000_000, 413);
        Quota::allowAutosave(User::asking($request), $this->key($request, $subject)['subject']);
        DB::table('autosaves')->upsert(
            [
                [
                    ...$this->key($request, $subject),
                    'base_revision' => $fields->intOrNull('base_revision', null, 1, PHP_INT_MAX),
                    'content' => Json::encode($fields->raw('content')),
                    'updated_at' => now(),
                ],
            ],
            ['user_id', 'subject'],
        );

        return new Response('', 204);
    }

    #[Operation('Forget what was typed', status: 204)]
    public function destroy(Request $request, string $subject): Response
    {
        DB::table('autosaves')->where($this->key($request, $subject))->delete();

        return new Response('', 204);
    }

    /** @return array{user_id: string, subject: string} */
    private function key(Request $request, string $subject): array
    {
        $user = User::asking($request);

        return ['user_id' => $user->id, 'subject' => mb_substr($subject, 0, 200)];
    }
}
