<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** What options are called on a whole paper, whatever their questions say. */
final class OptionLabels
{
    /** As each question says, or letters, numbers, or nothing. */
    public const STYLES = ['', 'A', 'a', '1', 'i', 'none'];

    /**
     * What has no labels gets none: beside things that learners number, they would confuse.
     *
     * @param  string  $style  one of STYLES
     */
    public static function on(Question $question, string $style, PartKinds $kinds): Question
    {
        $content = $style === '' ? null : $question->toJson();
        $changed = false;
        foreach ($question->parts as $i => $part) {
            $labels = property_exists($part->settings, 'labels') ? $part->settings->labels : null;
            $given = is_array($content->parts ?? null) ? $content->parts[$i] ?? null : null;
            if (! is_string($labels) || $labels === 'none' || ! $given instanceof \stdClass) {
                continue;
            }
            $settings = ($given->settings ?? null) instanceof \stdClass ? $given->settings : new \stdClass;
            $settings->labels = $style;
            $given->settings = $settings;
            $changed = true;
        }

        return $changed ? Question::read($content, $kinds) : $question;
    }
}
