<?php

declare(strict_types=1);

namespace WideQuarry\Study;

use WideQuarry\Question\Part;

/** A kind in which things may come out the same in some rolls. */
interface StudiedKind
{
    /** @return StudiedPart|null null where nothing of it can */
    public function studied(Part $part): ?StudiedPart;
}
