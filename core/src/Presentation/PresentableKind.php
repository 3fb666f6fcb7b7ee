<?php

declare(strict_types=1);

namespace WideQuarry\Presentation;

use WideQuarry\Question\Part;
use WideQuarry\Question\PartKind;
use WideQuarry\Random\Seed;
use WideQuarry\Scoring\ScoringContext;

/** A kind that can be shown to learners. */
interface PresentableKind extends PartKind
{
    /**
     * What the learner needs, in shown order; nothing of the key.
     *
     * @return array<string, mixed>
     */
    public function present(Part $part, ScoringContext $in, Seed $seed): array;

    /** Whether its parts are told apart in a list by a small picture rather than by words. */
    public function hasThumbnail(): bool;

    /**
     * What the learner works on as a small picture with the answer, for lists of those who may see the key.
     *
     * @return string|null SVG; null where there is nothing to see
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function thumbnail(Part $part, ScoringContext $in): ?string;
}
