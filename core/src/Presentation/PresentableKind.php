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
}
