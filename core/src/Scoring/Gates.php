<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Question\Question;

/** Parts that earn nothing until others are right. */
final class Gates
{
    /**
     * @param  list<string>  $right  part ids that are right on their own
     * @return array<string, list<string>> closed part id → what it still needs
     */
    public static function closed(Question $question, array $right): array
    {
        $open = [];
        $needs = [];
        foreach ($question->scoring->gates as $gate) {
            $needs[$gate['part']] = array_values(array_unique([...$needs[$gate['part']] ?? [], ...$gate['needs']]));
        }
        // A part is truly right once everything it needs is; parts in a ring never become so.
        do {
            $before = count($open);
            foreach ($right as $id) {
                if (! in_array($id, $open, true) && array_diff($needs[$id] ?? [], $open) === []) {
                    $open[] = $id;
                }
            }
        } while (count($open) > $before);

        return array_filter(
            array_map(fn (array $list): array => array_values(array_diff($list, $open)), $needs),
            fn (array $missing): bool => $missing !== [],
        );
    }
}
