<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

/** Which revision of a question an entry asks. */
enum Follow: string
{
    case Latest = 'latest';
    case Approved = 'approved';
    case Pinned = 'pinned';

    /**
     * @param  int|null  $approved  the last revision that was approved; the latest while none was
     * @param  int|null  $pinned  as the entry names it; the latest while it names none
     */
    public function revision(int $latest, ?int $approved, ?int $pinned): int
    {
        return match ($this) {
            self::Latest => $latest,
            self::Approved => $approved ?? $latest,
            self::Pinned => $pinned ?? $latest,
        };
    }
}
