<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Text;

use WideQuarry\Answer\PatternExample;
use WideQuarry\Answer\TextMatcher;
use WideQuarry\Messages\Message;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\Value;

/** A line in the text, or ruled lines below it. */
final class PrintedText
{
    /** Handwriting takes more room than type. */
    private const HAND = 0.75;

    /** Prints an example instead of the pattern, for markers who do not read regular expressions. */
    private static function shape(TextMatcher $on): string
    {
        $example = PatternExample::of($on->pattern, $on->anchored, $on->case !== 'keep');

        return $example === null
            ? Message::of('parts.text.answer-of-pattern', ['pattern' => '<code>'.Paper::text($on->pattern).'</code>'])
            : Message::of('parts.text.answer-like', ['text' => Paper::text($example)]);
    }

    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        $lines = is_int($presented['lines'] ?? null) ? $presented['lines'] : 1;
        $width = is_int($presented['width'] ?? null) ? $presented['width'] : 20;

        return $lines > 1
            ? '<div class="rules">'.$paper->lines($lines).'</div>'
            : Paper::line(min(34.0, max(4.0, $width * self::HAND * $paper->settings->room())));
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $answers = [];
        foreach ($part->key->rules as $rule) {
            $on = $rule->on;
            if (! ($on instanceof TextMatcher) || ! $rule->credit()->isPositive()) {
                continue;
            }
            $words = implode(
                ' / ',
                array_map(fn (Value $text): string => Paper::text($text->words($in->roll, $in->language)), $on->texts),
            );
            $answers[] = new PrintedAnswer(
                match ($on->answer) {
                    'is' => $words,
                    'holds' => Message::of('parts.text.has-in-it', ['words' => $words]),
                    'holds_all' => Message::of('parts.text.all', ['words' => $words]),
                    'holds_any' => Message::of('parts.text.one', ['words' => $words]),
                    'slips' => Message::of('parts.text.with-slips', ['words' => $words, 'slips' => $on->slips]),
                    'shape' => self::shape($on),
                    default => Message::of('parts.text.anything-else'),
                },
                $rule->credit(),
            );
        }
        usort($answers, fn (PrintedAnswer $a, PrintedAnswer $b): int => $b->credit->compareTo($a->credit));

        return $answers;
    }
}
