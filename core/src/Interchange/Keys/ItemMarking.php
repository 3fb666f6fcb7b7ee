<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

use Brick\Math\BigRational;

/** How an item of another system is marked, as something that can be tried. */
interface ItemMarking
{
    /** Whether all of it is understood here. */
    public function isWhole(): bool;

    public function isEmpty(): bool;

    /**
     * @param  array<string, list<string>>  $given  response → what was chosen or typed; an empty list for nothing
     * @return array{BigRational, list<string>} the score, and the feedback that is shown
     */
    public function run(array $given): array;
}
