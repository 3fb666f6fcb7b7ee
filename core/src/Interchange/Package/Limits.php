<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Package;

/** What a package may be. */
final readonly class Limits
{
    public function __construct(
        public int $entries = 100_000,
        public int $bytes = 2_000_000_000,
        public int $entryBytes = 200_000_000,
        public int $ratio = 200,
        public int $depth = 20,
    ) {
    }
}
