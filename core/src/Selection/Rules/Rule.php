<?php

declare(strict_types=1);

namespace WideQuarry\Selection\Rules;

use WideQuarry\Selection\Candidate;
use WideQuarry\Selection\Member;

/** What a test has to meet beside demands. */
interface Rule extends Member
{
    /** What it is called in JSON. */
    public const NAMES = ['at_most', 'all_or_none', 'never_together', 'must_include', 'exclude', 'spread', 'mean'];

    /**
     * The values it tells questions apart by.
     *
     * @param  list<Candidate>  $pool
     * @return array<int, list<string>> place in the pool → values; nothing for questions that the rule does not bind
     */
    public function keys(array $pool): array;
}
