<?php

declare(strict_types=1);

namespace WideQuarry\Selection;

/** Questions that every demand, rule and wish takes for the same: which of them is taken does not matter. */
final class Group
{
    /** @var list<Candidate> */
    public array $members = [];

    /**
     * @param  string  $signature  what they have in common
     * @param  array<string, list<string>>  $keys  rule → the values it counts them under
     * @param  bool  $isApart  whether an earlier solution has them
     */
    public function __construct(public readonly string $signature, public readonly array $keys, public readonly bool $isApart)
    {
    }

    public function size(): int
    {
        return count($this->members);
    }

    /** Any of them. */
    public function one(): Candidate
    {
        return $this->members[0];
    }
}
