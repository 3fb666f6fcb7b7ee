<?php

declare(strict_types=1);

namespace WideQuarry\Migration;

/** Quizzes made on one pattern: what is stated of one is assumed of those that have the same folders. */
final class AlikeQuizzes
{
    /**
     * @param  list<StatedDraw>  $stated
     * @return list<StatedDraw> with those of the quiz for every other that is like it and has none yet
     */
    public static function copied(array $stated, string $quiz, Regrouping $found): array
    {
        $folders = $has = [];
        foreach ($found->folders() as $folder) {
            $own = $folder['questions'][0]->quiz();
            $folders[$own][] = $folder['path'][count($folder['path']) - 1] ?? '';
        }
        foreach ($stated as $draw) {
            $has[Tally::folded($draw->quiz)] = true;
        }
        $mine = array_values(array_filter($stated, fn (StatedDraw $one): bool => Tally::folded($one->quiz) === Tally::folded($quiz)));
        foreach ($folders as $other => $names) {
            $other = (string) $other;
            if (isset($has[Tally::folded($other)]) || self::sorted($names) !== self::sorted($folders[$quiz] ?? [])) {
                continue;
            }
            array_push($stated, ...array_map(fn (StatedDraw $one): StatedDraw => $one->for($other), $mine));
        }

        return $stated;
    }

    /**
     * @param  list<string>  $names
     * @return list<string>
     */
    private static function sorted(array $names): array
    {
        sort($names);

        return $names;
    }
}
