<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Bank;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use WideQuarry\Sharing\Role;

/** A bank one may not read is not there: its existence is not told. */
final class BankPolicy
{
    public function view(User $user, Bank $bank): Response
    {
        return $user->roleIn($bank->id) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function keep(User $user, Bank $bank): Response
    {
        return match ($user->roleIn($bank->id)) {
            null => Response::denyAsNotFound(),
            Role::Keeper => Response::allow(),
            default => Response::deny(),
        };
    }

    public function write(User $user, Bank $bank): Response
    {
        return match ($user->roleIn($bank->id)) {
            null => Response::denyAsNotFound(),
            Role::Reader => Response::deny(),
            default => Response::allow(),
        };
    }
}
