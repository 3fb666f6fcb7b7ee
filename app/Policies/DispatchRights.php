<?php

declare(strict_types=1);

namespace App\Policies;

use App\Models\Assessment;
use App\Models\User;

/** Whether somebody may still read what a dispatch holds: asked when it is written, and again when the file is fetched. */
final class DispatchRights
{
    public static function allow(User $person, \stdClass $what): bool
    {
        if (isset($what->assessment)) {
            $assessment = Assessment::query()->find($what->assessment);
            if ($assessment === null || ! $person->can('view', $assessment)) {
                return false;
            }
        }
        if (is_string($what->bank ?? null) && $person->roleIn($what->bank) === null) {
            return false;
        }

        $questions = $what->questions ?? $what->held ?? [];

        return is_array($questions) && ReadableIds::of($person)->readsAll($questions);
    }
}
