<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Rubric;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use WideQuarry\Sharing\Role;

/** Rights to a rubric are those to its bank. */
final class RubricPolicy
{
    public function view(User $user, Rubric $rubric): Response
    {
        return $user->roleIn($rubric->bank_id) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Rubric $rubric): Response
    {
        return match ($user->roleIn($rubric->bank_id)) {
            null => Response::denyAsNotFound(),
            Role::Reader => Response::deny(),
            default => Response::allow(),
        };
    }
}
