<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

/** A test while the documents of its package are read: what it asks may stand in one that comes later. */
final class TestPlan
{
    public string $instructions = '';

    /** @var int|null in seconds */
    public ?int $time = null;

    /** Whether its outcome counts items by their weights. */
    public bool $weighted = false;

    /** @var list<SectionPlan> */
    public array $sections = [];

    public function __construct(public readonly string $file, public readonly string $ident, public readonly string $title)
    {
    }
}
