<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Label;

use WideQuarry\Answer\TextMatcher;
use WideQuarry\Content\Tree;
use WideQuarry\Geometry\Point;
use WideQuarry\Numbers\Exact;
use WideQuarry\Parts\PrintedBank;
use WideQuarry\Pictures\Picture;
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
            $this->numbered(PictureDrawing::asked($paper, $settings->picture->presented($presented)), self::places($presented)).
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
            : [new PrintedAnswer($this->inKey($settings, $settings->picture, $in->roll, $paper), Exact::one()), ...$answers];
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

    private function inKey(LabelSettings $settings, Picture $picture, Roll $roll, Paper $paper): string
    {
        return $this->numbered(
            PictureDrawing::inKey($paper, $picture->filled($roll->filling())),
            array_map(fn (Target $target): array => [$target->at($roll), $target->box($roll)], $settings->targets),
        );
    }

    /** @param  list<array{Point, Point|null}>  $places  each with its box, where that stands apart */
    private function numbered(PictureDrawing $drawing, array $places): string
    {
        foreach ($places as $i => [$at, $box]) {
            if ($box !== null) {
                $drawing->leader($box, $at);
            }
            $drawing->mark($box ?? $at, (string) ($i + 1));
        }

        return $drawing->svg();
    }

    /**
     * @param  array<mixed>  $presented
     * @return list<array{Point, Point|null}> as the roll has them
     */
    private static function places(array $presented): array
    {
        /** @var list<array{at: array{string, string}, box: array{string, string}|null}> $targets what Target::shown() gave */
        $targets = $presented['targets'] ?? [];

        return array_map(
            fn (array $target): array => [Point::of(...$target['at']), $target['box'] === null ? null : Point::of(...$target['box'])],
            $targets,
        );
    }
}
