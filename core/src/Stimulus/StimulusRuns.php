<?php

declare(strict_types=1);

namespace WideQuarry\Stimulus;

/**
 * Where stimuli stand on a sheet: once above the neighbours that share one. A question further on is told where to look again,
 * so that nothing is printed twice.
 *
 * @phpstan-type Place array{begins: list<array{id: string, first: int, last: int}>, again: list<array{id: string, of: int}>}
 */
final class StimulusRuns
{
    /**
     * @param  list<list<list<string>|null>>  $sections  section → question → the stimuli it names; null for a page of text, which is not
     *     numbered and parts neighbours
     * @param  bool  $each  whether a stimulus stands above every question that names it
     * @return list<list<Place>> the same, with the stimuli that begin above a question and the number of the last one they are for
     *     (questions are numbered through, from 1); and those that stood earlier, with the number of the question below them
     */
    public static function of(array $sections, bool $each = false): array
    {
        $places = [];
        $shown = [];
        $number = 0;
        foreach ($sections as $questions) {
            $section = [];
            $before = [];
            foreach ($questions as $q => $stimuli) {
                $number += $stimuli === null ? 0 : 1;
                $place = ['begins' => [], 'again' => []];
                foreach (array_values(array_unique($stimuli ?? [])) as $id) {
                    if ($each) {
                        $place['begins'][] = ['id' => $id, 'first' => $number, 'last' => $number];
                    } elseif (! isset($shown[$id])) {
                        $last = $number + self::neighbours($questions, $q, $id);
                        $place['begins'][] = ['id' => $id, 'first' => $number, 'last' => $last];
                        $shown[$id] = $number;
                    } elseif (! in_array($id, $before, true)) {
                        $place['again'][] = ['id' => $id, 'of' => $shown[$id]];
                    }
                }
                $section[] = $place;
                $before = $stimuli ?? [];
            }
            $places[] = $section;
        }

        return $places;
    }

    /**
     * How many questions right after one share a stimulus with it.
     *
     * @param  list<list<string>|null>  $questions
     */
    private static function neighbours(array $questions, int $from, string $id): int
    {
        $more = 0;
        while (in_array($id, $questions[$from + $more + 1] ?? [], true)) {
            $more++;
        }

        return $more;
    }
}
