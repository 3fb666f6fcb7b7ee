<?php

declare(strict_types=1);

namespace WideQuarry\Assembly;

use WideQuarry\Question\Question;
use WideQuarry\Random\Seed;

/**
 * The order in which one learner is asked. Where a section is shuffled, what belongs together stays together in its order, what is
 * asked first or last stays there, and what is fixed keeps its place.
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
            $units = SectionUnits::of($assessment, $section, $behind);
            $loose = array_keys($units->loose());
            $order[$section->id] = $units->ordered($seed->stream('order', $section->id)->shuffled($loose));
        }

        return $order;
    }

    /**
     * What stays behind the entry before it: a question on the same stimulus, and whatever follows a page of text.
     *
     * @param  array<string, Question>  $questions  by entry
     * @return array<string, true>
     */
    public static function behind(Assessment $assessment, array $questions): array
    {
        $behind = [];
        foreach ($assessment->sections as $section) {
            $before = null;
            foreach ($section->picks as $pick) {
                $question = $questions[$pick->id] ?? null;
                $isAfterPage = $before?->parts === [];
                if ($isAfterPage || array_intersect($question->stimuli ?? [], $before->stimuli ?? []) !== []) {
                    $behind[$pick->id] = true;
                }
                $before = $question;
            }
        }

        return $behind;
    }
}
