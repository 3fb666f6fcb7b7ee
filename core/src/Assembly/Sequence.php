<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Random\Seed;

/**
 * The order in which one learner is asked. Where a section is shuffled, what belongs together stays together in its order, and what is
 * asked first or last stays there.
 */
final class Sequence
{
    /**
     * @param  array<string, true>  $behind  entries that stay behind the one before them
     * @return array<string, list<string>> section → entries in the order they are asked
     */
    public static function of(Assessment $assessment, Seed $seed, array $behind): array
    {
        $order = [];
        foreach ($assessment->sections as $section) {
            $runs = self::runs($section, $behind);
            if ($section->shuffle || $assessment->run->shuffle) {
                $runs = self::shuffled($runs, $seed, $section->id);
            }
            $entries = array_merge(...$runs, ...[[]]);
            $order[$section->id] = array_map(fn (Pick|Draw $entry): string => $entry->id, $entries);
        }

        return $order;
    }

    /**
     * @param  array<string, true>  $behind
     * @return list<non-empty-list<Pick|Draw>> what is moved as one
     */
    private static function runs(Section $section, array $behind): array
    {
        $runs = [];
        foreach ($section->entries as $entry) {
            $last = array_key_last($runs);
            if ($last !== null && isset($behind[$entry->id]) && $runs[$last][0]->place === $entry->place) {
                $runs[$last][] = $entry;
            } else {
                $runs[] = [$entry];
            }
        }

        return $runs;
    }

    /**
     * @param  list<non-empty-list<Pick|Draw>>  $runs
     * @return list<non-empty-list<Pick|Draw>>
     */
    private static function shuffled(array $runs, Seed $seed, string $section): array
    {
        $at = fn (EntryPlace $place): array => array_values(array_filter($runs, fn (array $run): bool => $run[0]->place === $place));

        return [
            ...$at(EntryPlace::First),
            ...$seed->stream('order', $section)->shuffled($at(EntryPlace::Anywhere)),
            ...$at(EntryPlace::Last),
        ];
    }
}
