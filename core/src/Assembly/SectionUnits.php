<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

/** The entries of a section as units that move as one when it is shuffled, and where each may stand. */
final readonly class SectionUnits
{
    /**
     * @param  list<non-empty-list<Pick|Draw>>  $units  in the order of the section
     * @param  bool  $moves  whether the section is shuffled
     */
    private function __construct(private array $units, public bool $moves)
    {
    }

    /** @param  array<string, true>  $behind  entries that stay behind the one before them */
    public static function of(Assessment $assessment, Section $section, array $behind): self
    {
        $units = [];
        foreach ($section->entries as $entry) {
            $last = array_key_last($units);
            if ($last !== null && isset($behind[$entry->id]) && $units[$last][0]->place === $entry->place) {
                $units[$last][] = $entry;
            } else {
                $units[] = [$entry];
            }
        }

        return new self($units, $section->shuffle || $assessment->run->shuffle);
    }

    /** @return list<list<string>> the entries of units that change their places */
    public function loose(): array
    {
        return $this->moves ? array_map(self::entries(...), $this->at(EntryPlace::Anywhere)) : [];
    }

    /** @return list<list<string>> entries that stay together, where there are several */
    public function together(): array
    {
        return array_values(array_filter(array_map(self::entries(...), $this->units), fn (array $unit): bool => count($unit) > 1));
    }

    /**
     * Where some are fixed, the places between them are taken by units of the same size, so that no unit has to be torn apart.
     *
     * @param  list<int>  $permutation  of the loose units
     * @return list<string> entries; fixed ones where they stand in the section
     */
    public function ordered(array $permutation): array
    {
        if (! $this->moves) {
            return self::entries(array_merge(...$this->units, ...[[]]));
        }
        $loose = $this->at(EntryPlace::Anywhere);
        $queue = [
            ...$this->at(EntryPlace::First),
            ...array_map(fn (int $unit): array => $loose[$unit], $permutation),
            ...$this->at(EntryPlace::Last),
        ];
        if (count($queue) === count($this->units)) {
            return self::entries(array_merge(...$queue, ...[[]]));
        }
        $bySize = [];
        foreach ($queue as $unit) {
            $bySize[count($unit)][] = $unit;
        }
        $next = array_map(fn (array $units): int => 0, $bySize);
        $order = [];
        foreach ($this->units as $unit) {
            $size = count($unit);
            array_push($order, ...self::entries($this->isFixed($unit) ? $unit : $bySize[$size][$next[$size]++]));
        }

        return $order;
    }

    /** @return list<non-empty-list<Pick|Draw>> */
    private function at(EntryPlace $place): array
    {
        $units = [];
        foreach ($this->units as $unit) {
            if ($unit[0]->place === $place && ! $this->isFixed($unit)) {
                $units[] = $unit;
            }
        }

        return $units;
    }

    /** @param  non-empty-list<Pick|Draw>  $unit */
    private function isFixed(array $unit): bool
    {
        return array_filter($unit, fn (Pick|Draw $entry): bool => $entry->fixed) !== [];
    }

    /**
     * @param  list<Pick|Draw>  $unit
     * @return list<string>
     */
    private static function entries(array $unit): array
    {
        return array_map(fn (Pick|Draw $entry): string => $entry->id, $unit);
    }
}
