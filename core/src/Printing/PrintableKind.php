<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Question\Part;
use WideQuarry\Question\PartKind;
use WideQuarry\Scoring\ScoringContext;

/** A kind that can be put on paper. */
interface PrintableKind extends PartKind
{
    /**
     * How it stands on paper: what the learner ticks or writes on.
     *
     * @param  array<mixed>  $presented  as present() gave it
     */
    public function onPaper(Part $part, array $presented, Paper $paper): string;

    /**
     * The letters of its options, for a sheet with circles.
     *
     * @param  array<mixed>  $presented  as present() gave it
     * @return list<string> none where nothing is chosen from a list
     */
    public function answerLabels(Part $part, array $presented): array;

    /**
     * What earns points, in words and signs of the sheet, the best first.
     *
     * @param  array<mixed>  $presented  as present() gave it
     * @return list<PrintedAnswer>
     *
     * @throws \WideQuarry\Question\NotScorable|\WideQuarry\Variables\RollProblem
     */
    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array;
}
