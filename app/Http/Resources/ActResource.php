<?php

declare(strict_types=1);

namespace App\Http\Resources;

use App\Http\OpenApi\Shape;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** An act on many questions: its receipt, and how far it is until then. */
final class ActResource implements Shape
{
    private const SOME = 200;

    public static function shape(): array
    {
        return ['act' => 'string', 'kind' => 'string', 'bank' => 'string?', 'person' => 'string?', 'state' => 'string', 'total' => 'integer', 'done' => 'integer', 'changed' => 'integer', 'left_count' => 'integer', 'left' => 'object[]', 'what' => 'object?', 'undoes' => 'string?', 'undone' => 'boolean', 'may_undo' => 'boolean', 'created_at' => 'string', 'finished_at' => 'string?'];
    }

    /**
     * @param  \stdClass  $act  as Act::find gives it
     * @param  bool  $whole  with what was left and what it was to change
     * @return array<string, mixed>
     */
    public static function of(\stdClass $act, User $person, bool $whole): array
    {
        $undone = DB::table('acts')->where('undoes', $act->id)->exists();
        $left = $whole ? DB::select('SELECT questions.id, questions.title, why FROM act_left JOIN questions ON questions.id = question_id JOIN bank_roles(?) AS mine ON mine.bank_id = questions.bank_id WHERE act_id = ? ORDER BY questions.title LIMIT '.self::SOME, [$person->id, $act->id]) : [];

        return [
            'act' => $act->id, 'kind' => $act->kind, 'bank' => DB::table('banks')->where('id', $act->bank_id)->value('slug'), 'person' => DB::table('users')->where('id', $act->user_id)->value('name'),
            'state' => $act->state, 'total' => $act->total, 'done' => $act->done, 'changed' => $act->changed, 'left_count' => DB::table('act_left')->where('act_id', $act->id)->count(), 'left' => $left,
            'what' => isset($act->what->change) ? $act->what->change : null, 'undoes' => $act->what->undoes ?? null, 'undone' => $undone, 'may_undo' => $act->user_id === $person->id && ! $undone && $act->changed > 0 && in_array($act->state, ['done', 'stopped', 'failed'], true),
            'created_at' => $act->created_at, 'finished_at' => $act->finished_at,
        ];
    }
}
