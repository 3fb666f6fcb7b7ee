<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use App\Models\User;
use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** Undoing the act that changed the questions of a rubric puts the rubric back as well. */
final class UndoRubric
{
    /**
     * The content of before becomes a revision of its own: numbers never return, so that nobody saves over what they have not seen.
     * Nothing happens where somebody has changed the rubric since, or where the person may not write in its bank: what an act names is
     * what somebody asked for.
     *
     * @param  \stdClass  $change  what the act did
     */
    public static function of(\stdClass $change, User $person): void
    {
        $rubric = ($change->content ?? null) instanceof \stdClass ? $change->content->rubric ?? null : null;
        if (! ($rubric instanceof \stdClass) || ! is_string($rubric->id ?? null) || ! is_int($rubric->revision ?? null)) {
            return;
        }
        $bank = DB::table('rubrics')->where('id', $rubric->id)->value('bank_id');
        if (! is_string($bank) || ! $person->canEdit($bank)) {
            return;
        }
        DB::transaction(fn () => self::putBack($rubric->id, $rubric->revision, $person));
    }

    /** @param  int  $revision  the one that is undone */
    private static function putBack(string $id, int $revision, User $person): void
    {
        $before = DB::table('rubric_revisions')->where('rubric_id', $id)->where('number', $revision - 1)->value('content');
        if (! is_string($before)) {
            return;
        }
        $content = Json::decode($before);
        $put = DB::table('rubrics')->where('id', $id)->where('revision', $revision)->update([
            'revision' => $revision + 1,
            'content' => $before,
            'title' => $content instanceof \stdClass && is_string($content->title ?? null) ? $content->title : '',
            'updated_at' => now(),
        ]);
        if ($put === 1) {
            DB::table('rubric_revisions')
                ->insert(['rubric_id' => $id, 'number' => $revision + 1, 'content' => $before, 'author_id' => $person->id]);
        }
    }
}
