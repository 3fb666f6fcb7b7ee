<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberMatcher;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\ScoringContext;

/** A short line to write a number on. */
final class PrintedNumber
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        return Paper::line(
            min(20.0, max(4.0, (is_int($presented['width'] ?? null) ? $presented['width'] : 10) * 0.7 * $paper->settings->room())),
        );
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<PrintedAnswer>
     */
    public function answers(Part $part, array $presented, ScoringContext $in, Paper $paper): array
    {
        $settings = $part->settings;
        assert($settings instanceof NumberSettings);
        $unit = $settings->units->isAsked() && trim($settings->units->unit) !== '' ? "\u{A0}{$settings->units->unit}" : '';
        $answers = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof NumberMatcher && $rule->credit()->isPositive()) {
                $answers[] = new PrintedAnswer(Paper::text($rule->on->inWords($in->roll, $in->language).$unit), $rule->credit());
            }
        }
        usort($answers, fn (PrintedAnswer $a, PrintedAnswer $b): int => $b->credit->compareTo($a->credit));

        return $answers;
    }
}
