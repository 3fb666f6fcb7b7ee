<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

/** When a learner is told how an answer was. */
enum FeedbackTiming: string
{
    /** As soon as the question is answered for the last time. */
    case AtOnce = 'at_once';
    /** After every attempt. */
    case EachTry = 'each_try';
    case AtEnd = 'at_end';
    case Never = 'never';

    /** Whether something is said after an attempt. @param  bool  $isLast  whether no other follows it */
    public function speaksAfter(bool $isLast): bool
    {
        return $this === self::EachTry || $this === self::AtOnce && $isLast;
    }

    public function isInReport(): bool
    {
        return $this !== self::Never;
    }
}
