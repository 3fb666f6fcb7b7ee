<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Question\Question;
use WideQuarry\Variables\Roll;

/** Rules that several typed parts share, each of which earns once. */
final class SharedAnswers
{
    /** Whether no answer can fit two of the shared rules: only then is it plain which of them it takes. */
    public static function areDistinct(Question $question): bool
    {
        foreach ($question->scoring->once as $list) {
            $texts = [];
            foreach ($question->part($list[0])->key->rules ?? [] as $rule) {
                if (! ($rule->on instanceof TextMatcher) || ! in_array($rule->on->answer, ['is', 'otherwise'], true)) {
                    return false;
                }
                array_push(
                    $texts,
                    ...array_map(fn ($text): string => mb_strtolower($text->words(new Roll, $question->language)), $rule->on->texts),
                );
            }
            if (count(array_unique($texts)) < count($texts)) {
                return false;
            }
        }

        return true;
    }
}
