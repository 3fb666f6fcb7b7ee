<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Blueprint;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use WideQuarry\Messages\Message;
use WideQuarry\Sharing\Role;

/** Rights to a blueprint are those to its bank. Which questions it finds depends on the banks whoever asks can read. */
final class BlueprintPolicy
{
    public function view(User $user, Blueprint $blueprint): Response
    {
        return $user->roleIn($blueprint->bank_id) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Blueprint $blueprint): Response
    {
        $right = $this->restore($user, $blueprint);

        return $right->allowed() && $blueprint->binned_at !== null
            ? Response::deny(Message::of('app.policies.blueprint-in-bin'))
            : $right;
    }

    /** Into the bin and out of it. */
    public function restore(User $user, Blueprint $blueprint): Response
    {
        return match ($user->roleIn($blueprint->bank_id)) {
            null => Response::denyAsNotFound(),
            Role::Reader => Response::deny(),
            default => Response::allow(),
        };
    }
}
