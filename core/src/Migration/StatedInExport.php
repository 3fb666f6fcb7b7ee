<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

use WideQuarry\Assembly\Draw;

/** What another export of the same quizzes still says about their draws, put in words for the folders of this import. */
final class StatedInExport
{
    /**
     * @param  list<\stdClass>  $assessments  of the other export
     * @param  array<string, array{string, string}>  $known  its questions → their fingerprints and points
     * @return list<StatedDraw>
     */
    public static function of(array $assessments, array $known, Regrouping $found): array
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
                $ids = array_filter(is_array($draw->pool ?? null) ? $draw->pool : [], is_string(...));
                $drawn = array_values(array_intersect_key($known, array_flip($ids)));
                $pool = array_column($drawn, 0);
                $quiz = self::most(array_intersect_key($quizzes, array_flip($pool))) ?? $title;
                $stated[] = new StatedDraw(
                    $quiz,
                    self::most(array_intersect_key($folders, array_flip($pool))) ?? (is_string($draw->title ?? null) ? $draw->title : ''),
                    is_int($draw->draw ?? null) ? $draw->draw : 1,
                    count($ids),
                    self::points($draw, array_column($drawn, 1)),
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
                    array_push($draws, ...Draw::lists($entry));
                }
            }
        }

        return $draws;
    }

    /**
     * Those of the draw, or else those that all of its questions have there.
     *
     * @param  list<string>  $each
     */
    private static function points(\stdClass $draw, array $each): ?string
    {
        if (is_int($draw->points ?? null) || is_float($draw->points ?? null)) {
            return (string) $draw->points;
        }
        $each = array_values(array_unique($each));

        return count($each) === 1 ? $each[0] : null;
    }

    /** @param  array<string>  $names */
    private static function most(array $names): ?string
    {
        $times = array_count_values($names);
        arsort($times);

        return $times === [] ? null : (string) array_key_first($times);
    }
}
