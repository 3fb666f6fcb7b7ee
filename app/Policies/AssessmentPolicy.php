<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Assessment;
use App\Models\User;
use Illuminate\Auth\Access\Response;
use WideQuarry\Messages\Message;
use WideQuarry\Sharing\Role;

/** Rights to an assessment are those to its bank. */
final class AssessmentPolicy
{
    public function view(User $user, Assessment $assessment): Response
    {
        return $user->roleIn($assessment->bank_id) !== null ? Response::allow() : Response::denyAsNotFound();
    }

    public function update(User $user, Assessment $assessment): Response
    {
        $right = $this->restore($user, $assessment);

        return match (true) {
            ! $right->allowed() => $right,
            $assessment->binned_at !== null => Response::deny(Message::of('app.policies.assessment-in-bin')),
            $assessment->state === 'used' => Response::deny(Message::of('app.policies.assessment-used')),
            $assessment->state === 'archived' => Response::deny(Message::of('app.policies.assessment-archived')),
            default => $right,
        };
    }

    public function changeState(User $user, Assessment $assessment): Response
    {
        $right = $this->restore($user, $assessment);

        return $right->allowed() && $assessment->binned_at !== null
            ? Response::deny(Message::of('app.policies.assessment-in-bin'))
            : $right;
    }

    /** Into the bin and out of it, which changes nothing of what it asks. */
    public function restore(User $user, Assessment $assessment): Response
    {
        return match ($user->roleIn($assessment->bank_id)) {
            null => Response::denyAsNotFound(),
            Role::Reader => Response::deny(),
            default => Response::allow(),
        };
    }
}
