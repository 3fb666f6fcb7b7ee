<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** A format that questions come in. One folder each. */
interface Format
{
    public function name(): string;

    /** Formats of one family share a reader; a package with several families is read once per family. */
    public function family(): string;

    /** Judged by content, not by name. */
    public function recognises(Source $source): bool;

    /**
     * Things as they are found, so that a large file need not be held.
     *
     * @return iterable<\stdClass|Medium|Notice>
     *
     * @throws UnreadableFile
     */
    public function read(Source $source): iterable;
}
