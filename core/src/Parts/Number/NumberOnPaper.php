<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Number;

use WideQuarry\Answer\NumberOn;
use WideQuarry\Printing\Answer;
use WideQuarry\Printing\Paper;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\Circumstances;

/** A short line to write a number on. */
final class NumberOnPaper
{
    /** @param  array<mixed>  $presented */
    public function part(array $presented, Paper $paper): string
    {
        return Paper::line(min(20.0, max(4.0, (is_int($presented['width'] ?? null) ? $presented['width'] : 10) * 0.7 * $paper->settings->room())));
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<Answer>
     */
    public function answers(Part $part, array $presented, Circumstances $in, Paper $paper): array
    {
        $answers = [];
        foreach ($part->key->rules as $rule) {
            if ($rule->on instanceof NumberOn && $rule->credit()->isPositive()) {
                $answers[] = new Answer(Paper::text($rule->on->inWords($in->roll, $in->language)), $rule->credit());
            }
        }
        usort($answers, fn (Answer $a, Answer $b): int => $b->credit->compareTo($a->credit));

        return $answers;
    }
}
