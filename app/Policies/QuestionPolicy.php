<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Question;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\DB;

/** Reading follows visible_questions; writing needs a writer of the home bank. */
final class QuestionPolicy
{
    public function view(User $user, Question $question): Response
    {
        $visible = DB::scalar('SELECT EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = ?)', [
            $user->id,
            $question->id,
        ]);

        $binned = $question->binned_at !== null && $user->canEdit($question->bank_id); // who may bring it back may look at it

        return $visible === true || $binned ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Question $question): Response
    {
        return $user->canEdit($question->bank_id)
            ? Response::allow()
            : ($this->view($user, $question)->allowed()
                ? Response::deny()
                : Response::denyAsNotFound());
    }
}
