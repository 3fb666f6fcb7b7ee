<?php

declare(strict_types=1);

namespace WideQuarry\Forms;

use WideQuarry\Random\Seed;

/** How many forms of a test are made, and from what. */
final readonly class FormSettings
{
    /** A to Z. */
    public const MOST = 26;

    /** So many questions can be asked in all forms together, which takes some seconds. */
    public const MOST_QUESTIONS = 8000;

    public const LONGEST_RUN = 4;

    public const MOST_RUN = 100;

    /**
     * @param  int  $count  1 to MOST
     * @param  int  $longestRun  how many questions in a row may have the same key letter, 1 to MOST_RUN
     * @param  array<string, Seed>  $kept  entry → the roll it has in every form
     */
    public function __construct(
        public int $count,
        public Seed $seed,
        public int $longestRun = self::LONGEST_RUN,
        public array $kept = [],
    ) {
    }
}
