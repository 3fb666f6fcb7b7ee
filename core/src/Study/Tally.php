<?php

declare(strict_types=1);

namespace WideQuarry\Study;

/** What was found, how often, and in which roll first. */
final class Tally
{
    /** @var array<string, array{count: int, roll: StudiedRoll}> */
    private array $found = [];

    public function add(string $what, StudiedRoll $roll): void
    {
        $this->found[$what] ??= ['count' => 0, 'roll' => $roll];
        $this->found[$what]['count']++;
    }

    /** @return array<string, array{count: int, roll: StudiedRoll}> the most frequent first */
    public function all(): array
    {
        uasort($this->found, fn (array $a, array $b): int => $b['count'] <=> $a['count']);

        return $this->found;
    }
}
