<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Stimulus;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use Illuminate\Support\Facades\DB;

/** Reading follows readable_stimuli; writing needs a writer of the home bank. */
final class StimulusPolicy
{
    public function view(User $user, Stimulus $stimulus): Response
    {
        $readable = DB::scalar('SELECT EXISTS (SELECT 1 FROM readable_stimuli(?, ARRAY[?::uuid]))', [$user->id, $stimulus->id]);

        return $readable === true ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Stimulus $stimulus): Response
    {
        return $user->canEdit($stimulus->bank_id)
            ? Response::allow()
            : ($this->view($user, $stimulus)->allowed()
                ? Response::deny()
                : Response::denyAsNotFound());
    }
}
