<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\Tree;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\PrintedBank;
use WideQuarry\Pictures\PictureDrawing;
use WideQuarry\Printing\Paper;
use WideQuarry\Printing\PrintedAnswer;
use WideQuarry\Question\Item;
use WideQuarry\Question\PairTarget;
use WideQuarry\Question\Part;
use WideQuarry\Question\Rule;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Variables\Roll;
use WideQuarry\Variables\Value;

/** A picture with numbers at its places, a line to write on for each, and the labels in a box. */
final class PrintedLabel
{
    /** @param  array<mixed>  $presented */
    public function part(LabelSettings $settings, array $presented, Paper $paper): string
    {
        if ($settings->picture === null) {
            return '';
        }
        $lines = '';
        foreach ($settings->targets as $i => $target) {
            $lines .= '<li><strong>'.($i + 1).'</strong> '.Paper::line(11 * $paper->settings->room()).'</li>';
        }

        return '<figure class="on-picture">'.
            $this->numbered($settings, PictureDrawing::asked($paper, $settings->picture), new Roll).
            '</figure>'.
            PrintedBank::of($presented['labels'] ?? [], $paper).
            "<ul class=\"to-fill\">$lines</ul>";
    }

    /** @return list<PrintedAnswer> */
    public function answers(Part $part, LabelSettings $settings, ScoringContext $in, Paper $paper): array
    {
        if ($settings->picture === null) {
            return [];
        }
        $answers = [];
        foreach ($settings->targets as $i => $target) {
            foreach ($part->key->rules as $rule) {
                $html = $rule->credit()->isPositive() ? $this->right($rule, $target->id, $settings, $in, $paper) : null;
                if ($html !== null) {
                    $answers[] = new PrintedAnswer('<strong>'.($i + 1)."</strong> $html", $rule->credit());
                }
            }
        }

        return $answers === []
            ? []
            : [
                new PrintedAnswer($this->numbered($settings, PictureDrawing::inKey($paper, $settings->picture), $in->roll), Exact::one()),
                ...$answers,
            ];
    }

    private function right(Rule $rule, string $target, LabelSettings $settings, ScoringContext $in, Paper $paper): ?string
    {
        if ($rule->on instanceof PairTarget && $rule->on->first === $target) {
            $label = Item::find($settings->labels, $rule->on->second);

            return $label === null ? null : $paper->inline(Tree::of($label->html, $in->roll->filling()));
        }
        if (! $settings->isTyped() || ! ($rule->on instanceof TextMatcher) || $rule->on->piece !== $target || $rule->on->texts === []) {
            return null;
        }

        return implode(' / ', array_map(
            fn (Value $text): string => Paper::text($text->words($in->roll, $in->language)),
            $rule->on->texts,
        ));
    }

    private function numbered(LabelSettings $settings, PictureDrawing $drawing, Roll $roll): string
    {
        foreach ($settings->targets as $i => $target) {
            $box = $target->box($roll);
            if ($box !== null) {
                $drawing->leader($box, $target->at($roll));
            }
            $drawing->mark($box ?? $target->at($roll), (string) ($i + 1));
        }

        return $drawing->svg();
    }
}
