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
        $visible = DB::scalar('SELECT EXISTS (SELECT 1 FROM visible_questions(?) AS visible WHERE visible.id = ?)', [$user->id, $question->id]);

        $binned = $question->binned_at !== null && in_array($user->roleIn($question->bank_id), ['writer', 'keeper'], true); // who may bring it back may look at it

        return $visible === true || $binned ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Question $question): Response
    {
        return in_array($user->roleIn($question->bank_id), ['writer', 'keeper'], true) ? Response::allow() : ($this->view($user, $question)->allowed() ? Response::deny() : Response::denyAsNotFound());
    }
}
