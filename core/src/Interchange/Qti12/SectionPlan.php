<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

/**
 * A section of a test while its document is read.
 *
 * @phpstan-type Asked array{question?: string, ref?: string, weight?: string}
 * @phpstan-type Entry array{asked?: Asked, draw?: int, of?: list<Asked>, bank?: string, points?: string, title?: string, line?: int}
 */
final class SectionPlan
{
    /** @var list<Entry> */
    public array $entries = [];

    public function __construct(public readonly string $title, public readonly string $instructions, public bool $shuffle)
    {
    }
}
