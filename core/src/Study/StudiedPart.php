<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Scoring\ScoringContext;

/** A part made ready to be looked at in many rolls. */
interface StudiedPart
{
    /**
     * @return list<Coincidence>
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function coincidences(ScoringContext $in): array;

    /**
     * Right answers that are numbers.
     *
     * @return list<\Brick\Math\BigRational>
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public function keys(ScoringContext $in): array;
}
