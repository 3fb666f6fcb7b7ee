<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;
use WideQuarry\Question\SettingChange;

/** What options are called on a whole paper, whatever their questions say. */
final class OptionLabels
{
    /** As each question says, or letters, numbers, or nothing. */
    public const STYLES = ['', 'A', 'a', '1', 'i', 'none'];

    /** @param  string  $style  one of STYLES */
    public static function on(Question $question, string $style, PartKinds $kinds): Question
    {
        if ($style === '') {
            return $question;
        }
        $content = $question->toJson();
        SettingChange::on($content, 'labels', $style, $kinds);

        return Question::read($content, $kinds);
    }
}
