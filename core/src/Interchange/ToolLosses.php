<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

use WideQuarry\Messages\Message;
use WideQuarry\Question\Question;
use WideQuarry\Question\Tools;

/** What a learner may use, and for how long, as far as a format has no place for it. */
final class ToolLosses
{
    /**
     * @param  bool  $hasTools  whether the format has calculators, rulers and protractors
     * @return list<array{string, string}> code and sentence
     */
    public static function of(Question $question, bool $hasTools): array
    {
        $tools = Tools::of($question);
        $says = fn (bool $lost, string $code, string $sentence): array => $lost ? [[$code, Message::of("interchange.$sentence")]] : [];

        return [
            ...$says(
                ! $hasTools && ($tools->calculator !== 'none' || $tools->ruler || $tools->protractor),
                'tools.left_out',
                'tools-left-out-there',
            ),
            ...$says($tools->scratch, 'tools.scratch', 'room-for-working-left-out'),
            ...$says($question->stimuliOnRequest() !== [], 'tools.sheets', 'stimuli-on-request-always-shown'),
            ...$says($question->timeLimit !== null, 'time_limit', 'time-limit-left-out'),
        ];
    }
}
