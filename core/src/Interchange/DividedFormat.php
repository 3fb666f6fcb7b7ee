<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** A format whose files have parts, any of which can be read alone: read() keeps to the choice of its source. */
interface DividedFormat extends Format
{
    /** @throws UnreadableFile */
    public function parts(Source $source): PackageParts;
}
