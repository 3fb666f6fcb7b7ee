<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

/** What another export of the same quizzes still says about their draws, put in words for the folders of this import. */
final class StatedInExport
{
    /**
     * @param  list<\stdClass>  $assessments  of the other export
     * @param  array<string, string>  $prints  its questions → their fingerprints
     * @return list<StatedDraw>
     */
    public static function of(array $assessments, array $prints, Regrouping $found): array
    {
        $folders = $quizzes = [];
        foreach ($found->folders() as $folder) {
            $name = $folder['path'][count($folder['path']) - 1] ?? '';
            foreach ($folder['questions'] as $question) {
                $folders[$question->fingerprint] = $name;
                $quizzes[$question->fingerprint] = $question->quiz();
            }
        }
        $stated = [];
        foreach ($assessments as $assessment) {
            $title = is_string($assessment->title ?? null) ? $assessment->title : '';
            foreach (self::draws($assessment) as $draw) {
                $pool = array_filter(array_map(
                    fn (mixed $id): string => is_string($id) ? $prints[$id] ?? '' : '',
                    is_array($draw->pool ?? null) ? $draw->pool : [],
                ), fn (string $print): bool => $print !== '');
                $quiz = self::most(array_intersect_key($quizzes, array_flip($pool))) ?? $title;
                $stated[] = new StatedDraw(
                    $quiz,
                    self::most(array_intersect_key($folders, array_flip($pool))) ?? (is_string($draw->title ?? null) ? $draw->title : ''),
                    is_int($draw->draw ?? null) ? $draw->draw : 1,
                    count(is_array($draw->pool ?? null) ? $draw->pool : []),
                    is_int($draw->points ?? null) || is_float($draw->points ?? null) ? (string) $draw->points : null,
                );
            }
        }

        return $stated;
    }

    /** @return list<\stdClass> */
    private static function draws(\stdClass $assessment): array
    {
        $draws = [];
        foreach (is_array($assessment->sections ?? null) ? $assessment->sections : [] as $section) {
            $entries = $section instanceof \stdClass && is_array($section->entries ?? null) ? $section->entries : [];
            foreach ($entries as $entry) {
                if ($entry instanceof \stdClass && isset($entry->draw)) {
                    $draws[] = $entry;
                }
            }
        }

        return $draws;
    }

    /** @param  array<string>  $names */
    private static function most(array $names): ?string
    {
        $times = array_count_values($names);
        arsort($times);

        return $times === [] ? null : (string) array_key_first($times);
    }
}
