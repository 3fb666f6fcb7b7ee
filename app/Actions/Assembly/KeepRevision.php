<?php

declare(strict_types=1);

namespace App\Actions\Assembly;

use App\Models\Assessment;
use App\Models\User;
use App\Queries\QuestionUses;

/** Pins a question at an earlier revision in the assessments that follow it, once it was changed in its bank. */
final readonly class KeepRevision
{
    private const TRIES = 10;

    public function __construct(private SaveAssessment $save)
    {
    }

    /** @return int number of assessments pinned; those this person cannot edit are left alone */
    public function handle(string $question, int $revision, User $person): int
    {
        $kept = 0;
        foreach (QuestionUses::of($question, $person)['assessments'] as $use) {
            $assessment = Assessment::query()->find($use['id']);
            if ($assessment === null || ! $person->can('update', $assessment)) {
                continue;
            }
            $kept += $this->keep($assessment, $question, $revision, $person) ? 1 : 0;
        }

        return $kept;
    }

    /** @return bool whether it followed the question and is pinned now */
    private function keep(Assessment $assessment, string $question, int $revision, User $person): bool
    {
        for ($try = 0; $try < self::TRIES; $try++) {
            $now = $assessment->refresh();
            $document = $now->stored();
            if (! $document->follows($question)) {
                return false;
            }
            // false when somebody else saved in between: read their version and try again
            $state = $now->state === 'ready' ? 'ready' : null; // it asks what it asked when it was checked
            if ($this->save->revise($now, $document->keeping($question, $revision), $now->version, $person, state: $state)) {
                return true;
            }
        }

        return false;
    }
}
