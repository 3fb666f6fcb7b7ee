<?php

declare(strict_types=1);

namespace App\Actions;

use App\Errors\Refused;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;
use WideQuarry\Messages\Message;

/** The order of questions in a folder, made by hand: the first move numbers them all as they stood. */
final class OrderFolder
{
    public function handle(string $bankId, string $folder, string $question, ?string $before): void
    {
        DB::transaction(function () use ($bankId, $folder, $question, $before): void {
            DB::table('folders')->where('bank_id', $bankId)->where('id', $folder)->lockForUpdate()->value('id') ?? abort(404);
            /** @var list<string> $ids */
            $ids = DB::table('placements')
                ->where('folder_id', $folder)
                ->orderBy('position')
                ->orderBy('question_id')
                ->pluck('question_id')
                ->all();
            $others = array_values(array_diff($ids, [$question]));
            if (count($others) === count($ids)) {
                throw Refused::because('folder.not_there', Message::of('app.actions.not-in-folder'), '/question');
            }
            $at = $before === null ? false : array_search($before, $others, true);
            array_splice($others, $at === false ? count($others) : $at, 0, [$question]);
            DB::update(
                <<<'SQL'
                    UPDATE placements SET position = place FROM jsonb_array_elements_text(?::jsonb) WITH ORDINALITY AS given (id,
                        place) WHERE folder_id = ? AND question_id = given.id::uuid
                    SQL,
                [Json::encode($others), $folder],
            );
        });
    }
}
