<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

/** How many things may be chosen or paired, and in which order they stand. */
final readonly class PlainLimits
{
    /**
     * @param  bool  $several  whether several may be chosen; of pairs, whether a first thing may have several
     * @param  int|null  $max  null for as many as there are
     * @param  bool  $sorts  of pairs, whether the second things are groups that the first are sorted into
     * @param  bool  $byFirst  whether a first thing is right or not as one (a gap, an item), not each pair
     */
    public function __construct(
        public bool $several = false,
        public ?int $max = 1,
        public bool $shuffle = false,
        public bool $byFirst = false,
        public bool $sorts = false,
    ) {
    }
}
