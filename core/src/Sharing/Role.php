<?php

declare(strict_types=1);

namespace WideQuarry\Sharing;

/** What somebody may do in a bank. Each role includes the ones before it. */
enum Role: string
{
    case Reader = 'reader';
    case Writer = 'writer';
    case Keeper = 'keeper';

    public function canEdit(): bool
    {
        return $this !== self::Reader;
    }

    public function canManage(): bool
    {
        return $this === self::Keeper;
    }

    /** As people read it: "can edit". */
    public function label(): string
    {
        return match ($this) {
            self::Reader => 'can view',
            self::Writer => 'can edit',
            self::Keeper => 'can manage',
        };
    }
}
