<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** A format that questions go out in as well. */
interface WritableFormat extends Format
{
    /** Whether it can say values that vary; a question goes out with fixed ones otherwise (FixedRolls). */
    public function canVary(): bool;

    /**
     * The same content gives the same bytes.
     *
     * @return list<Notice> what the format cannot say
     */
    public function write(PackageContents $content, string $file): array;
}
