<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Intake;
use App\Models\User;
use Illuminate\Auth\Access\Response;

/** An intake is worked on by who gave it, and by the writers of the bank it goes to. */
final class IntakePolicy
{
    public function work(User $user, Intake $intake): Response
    {
        $writes = $intake->bank_id !== null && $user->canEdit($intake->bank_id);

        return $writes || $intake->user_id === $user->id ? Response::allow() : Response::denyAsNotFound();
    }
}
