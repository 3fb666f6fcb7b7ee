<?php

declare(strict_types=1);

namespace App\Actions\Bulk;

use Illuminate\Support\Facades\DB;
use WideQuarry\Json\Json;

/** Undoing the act that changed the questions of a rubric puts the rubric back as well. */
final class UndoRubric
{
    /**
     * Nothing where somebody has changed it since.
     *
     * @param  \stdClass  $change  what the act did
     */
    public static function of(\stdClass $change): void
    {
        $rubric = ($change->content ?? null) instanceof \stdClass ? $change->content->rubric ?? null : null;
        if (! ($rubric instanceof \stdClass) || ! is_string($rubric->id ?? null) || ! is_int($rubric->revision ?? null)) {
            return;
        }
        DB::transaction(function () use ($rubric): void {
            $before = DB::table('rubric_revisions')->where('rubric_id', $rubric->id)
                ->where('number', $rubric->revision - 1)->value('content');
            if (! is_string($before)) {
                return;
            }
            $content = Json::decode($before);
            $put = DB::table('rubrics')->where('id', $rubric->id)->where('revision', $rubric->revision)->update([
                'revision' => $rubric->revision - 1,
                'content' => $before,
                'title' => $content instanceof \stdClass && is_string($content->title ?? null) ? $content->title : '',
                'updated_at' => now(),
            ]);
            if ($put === 1) {
                DB::table('rubric_revisions')->where('rubric_id', $rubric->id)->where('number', $rubric->revision)->delete();
            }
        });
    }
}
