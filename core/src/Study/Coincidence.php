<?php

declare(strict_types=1);

namespace WideQuarry\Study;

/** Things of a part that come out the same in a roll, though they should differ. */
final readonly class Coincidence
{
    public const KEY_EQUALS_OPTION = 'key_equals_option';

    public const OPTIONS_EQUAL = 'options_equal';

    /** Two rules about the same answer: only one of them can ever speak. */
    public const RULES_COINCIDE = 'rules_coincide';

    /** A foreseen mistake that a better rule accepts, by its tolerance: who makes it earns more than was meant. */
    public const MISTAKE_ACCEPTED = 'mistake_accepted';

    public function __construct(public string $what, public string $one, public string $other)
    {
    }
}
