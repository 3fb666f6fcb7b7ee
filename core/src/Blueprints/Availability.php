<?php

declare(strict_types=1);

namespace WideQuarry\Blueprints;

use WideQuarry\Numbers\Exact;

/** How many questions the banks have for every place of every table. */
final readonly class Availability implements \JsonSerializable
{
    /** @param  array<string, array{have: int, usable: int, approved: int, unused: int, points: string}>  $places  by id */
    private function __construct(private array $places)
    {
    }

    /** @param  list<Tally>  $tallies */
    public static function of(Blueprint $blueprint, array $tallies): self
    {
        $places = [];
        foreach ($blueprint->tables as $table) {
            foreach ($table->places() as ['row' => $row, 'column' => $column]) {
                $places[Places::id($table, $row, $column)] = self::counted($blueprint, $table->needs($row, $column), $tallies);
            }
        }
        foreach (array_keys([...$blueprint->conditions(), ...$blueprint->assessments()]) as $key) {
            $places[$key] = self::counted($blueprint, [$key], $tallies);
        }
        $places[Places::TOTAL] = self::counted($blueprint, [], $tallies);

        return new self($places);
    }

    /**
     * @param  list<string>  $needs
     * @param  list<Tally>  $tallies
     * @return array{have: int, usable: int, approved: int, unused: int, points: string} usable: of a status that may be taken;
     *     unused: of those
     */
    public static function counted(Blueprint $blueprint, array $needs, array $tallies): array
    {
        $have = $usable = $approved = $unused = 0;
        $points = Exact::zero();
        foreach ($tallies as $tally) {
            if (array_diff($needs, $tally->keys) !== []) {
                continue;
            }
            $isUsable = in_array($tally->status, $blueprint->statuses, true);
            $have += $tally->count;
            $usable += $isUsable ? $tally->count : 0;
            $approved += $tally->status === 'approved' ? $tally->count : 0;
            $unused += $isUsable && $tally->isUnused ? $tally->count : 0;
            $points = $isUsable ? $points->plus(Exact::of($tally->points)) : $points;
        }

        return [
            'have' => $have,
            'usable' => $usable,
            'approved' => $approved,
            'unused' => $unused,
            'points' => Exact::decimal($points) ?? '0',
        ];
    }

    public function knows(string $place): bool
    {
        return isset($this->places[$place]);
    }

    /** @return array{have: int, usable: int, approved: int, unused: int, points: string} */
    public function at(string $place): array
    {
        return $this->places[$place];
    }

    /** @return array<string, array{have: int, usable: int, approved: int, unused: int, points: string}> */
    public function jsonSerialize(): array
    {
        return $this->places;
    }
}
