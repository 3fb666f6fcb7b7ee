<?php

declare(strict_types=1);

namespace WideQuarry\Sharing;

use WideQuarry\Messages\Message;

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
            self::Reader => Message::of('sharing.can-view'),
            self::Writer => Message::of('sharing.can-edit'),
            self::Keeper => Message::of('sharing.can-manage'),
        };
    }
}
