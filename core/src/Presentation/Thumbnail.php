<?php

declare(strict_types=1);

namespace WideQuarry\Presentation;

use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Scoring\ScoringContext;

/** A question as a small picture in lists, where its parts are told apart by one. */
final class Thumbnail
{
    /** @param  list<string>  $kinds  names of the kinds of its parts */
    public static function isThere(array $kinds, PartKinds $known): bool
    {
        foreach ($kinds as $name) {
            $kind = $known->find($name);
            if ($kind instanceof PresentableKind && $kind->hasThumbnail()) {
                return true;
            }
        }

        return false;
    }

    /**
     * @return string|null SVG of the first part that has one
     *
     * @throws \WideQuarry\Variables\RollProblem
     */
    public static function of(Question $question): ?string
    {
        $in = ScoringContext::of($question, $question->variables->anyRoll($question->language));
        foreach ($question->parts as $part) {
            $svg = $part->kind instanceof PresentableKind ? $part->kind->thumbnail($part, $in) : null;
            if ($svg !== null) {
                return $svg;
            }
        }

        return null;
    }
}
