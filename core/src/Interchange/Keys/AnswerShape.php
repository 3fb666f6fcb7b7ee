<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Keys;

/** What an answer is made of. */
enum AnswerShape
{
    case Picks;
    case Words;
    case Number;
    case Sequence;
    case Pairs;

    /**
     * Credit schemes that an answer of this shape may be marked by, the plainest first.
     *
     * @return non-empty-list<string>
     */
    public function schemes(bool $several): array
    {
        return match ($this) {
            self::Picks => $several ? ['weights', 'margins', 'all', 'each', 'balance', 'judge'] : ['weights'],
            self::Words, self::Number => ['weights'],
            self::Sequence => ['all', 'positions', 'pairs', 'joins', 'chain'],
            self::Pairs => ['each', 'all', 'weights', 'judge', 'balance'],
        };
    }
}
