<?php

declare(strict_types=1);

namespace WideQuarry\Scoring;

use WideQuarry\Question\Question;

/**
 * Parts that may be answered in the place of others, for those who cannot see a picture: a part that was left blank earns what the one
 * that was answered instead is worth. That one has no points of its own.
 */
final class Alternatives
{
    /**
     * @param  array<string, PartOutcome>  $outcomes  by part
     * @return array<string, PartOutcome>
     */
    public static function settle(Question $question, array $outcomes): array
    {
        foreach ($question->scoring->instead as ['part' => $part, 'for' => $for]) {
            $answered = $outcomes[$part] ?? null;
            if ($answered !== null && $answered->state !== 'unanswered' && ($outcomes[$for] ?? null)?->state === 'unanswered') {
                $outcomes[$for] = $answered->instead($part);
            }
        }

        return $outcomes;
    }
}
