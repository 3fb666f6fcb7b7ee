<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Section;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\CoreException;
use WideQuarry\Numbers\Exact;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Part;
use WideQuarry\Scoring\Circumstances;
use WideQuarry\Variables\Show;

/** An assessment as one document for paper: the learner's sheet, or its key. Values are rolled, and options stand, as the seed says. */
final readonly class Sheet
{
    public function __construct(private Presenter $presenter)
    {
    }

    /**
     * @param  'learner'|'key'  $which
     * @param  array<string, Item>  $items  entry → what it asks
     * @return string the body of the document
     */
    public function body(string $which, Assessment $assessment, array $items, PrintSettings $settings): string
    {
        $total = array_reduce($items, fn (BigRational $sum, Item $item): BigRational => $sum->plus($item->points), Exact::zero());
        $number = 0;
        $shown = [];
        $sections = '';
        foreach ($assessment->sections as $section) {
            $sections .= $this->section($which, $section, $items, $settings, $number, $shown);
        }
        $instructions = $which === 'learner' ? $this->rich($assessment->instructions) : '';

        return (new TitleBlock($settings))->html($assessment->title, $which, Exact::number($total)).($instructions === '' ? '' : "<section class=\"instructions\">$instructions</section>")."<div class=\"questions\">$sections</div>";
    }

    /**
     * @param  'learner'|'key'  $which
     * @param  array<string, Item>  $items
     * @param  array<string, bool>  $shown  stimuli that stand on the sheet already
     */
    private function section(string $which, Section $section, array $items, PrintSettings $settings, int &$number, array &$shown): string
    {
        $html = $section->title === '' ? '' : '<h2>'.Paper::text($section->title).'</h2>';
        $html .= $section->instructions === '' || $which === 'key' ? '' : '<div class="instructions">'.$this->rich($section->instructions).'</div>';
        foreach ($section->picks as $pick) {
            $item = $items[$pick->id] ?? null;
            if ($item === null) {
                continue;
            }
            $number++;
            if ($item->question === null) {
                $html .= '<article class="question" id="'.Paper::text($pick->id)."\"><span class=\"number\">$number.</span><div class=\"gone\">".Paper::text($item->title === '' ? 'A question' : "“{$item->title}”").' is not in its bank any more.</div></article>';

                continue;
            }
            $html .= $which === 'learner' ? $this->asked($item, $settings, $number, $shown) : $this->answered($item, $settings, $number);
        }

        return "<section>$html</section>";
    }

    /** @param  array<string, bool>  $shown */
    private function asked(Item $item, PrintSettings $settings, int $number, array &$shown): string
    {
        assert($item->question !== null);
        $paper = new Paper($settings, $item->media);
        $new = array_diff_key($item->stimuli, $shown);
        $shown += array_fill_keys(array_keys($item->stimuli), true);
        $before = implode('', array_map(fn (string $html): string => '<aside class="stimulus">'.$paper->html(Tree::of($html)).'</aside>', $new));
        try {
            $presented = $this->presenter->present($item->question, $settings->seed);
            $parts = [];
            foreach ($item->question->parts as $i => $part) {
                $drawn = (array) $presented['parts'][$i]['settings'];
                $parts[$part->id] = $part->kind?->onPaper($part, $drawn, $paper) ?? '';
                $gaps = is_array($drawn['gaps'] ?? null) ? array_values(array_filter($drawn['gaps'], is_string(...))) : [];
                foreach ($gaps as $j => $gap) {
                    $parts["$part->id\t$gap"] = $paper->gap(count($gaps) > 1 ? $j + 1 : null);
                }
            }
            $html = $paper->html($presented['body'], $parts);
        } catch (CoreException $problem) {
            $html = '<div class="gone">This question cannot be shown yet: '.Paper::text($problem->getMessage()).'</div>';
        }

        return $before.$this->article($item, $settings, $number, $html);
    }

    private function answered(Item $item, PrintSettings $settings, int $number): string
    {
        assert($item->question !== null);
        try {
            $presented = $this->presenter->present($item->question, $settings->seed);
            $in = $this->circumstances($item, $settings);
            $html = '';
            foreach ($item->question->parts as $i => $part) {
                $html .= $this->answers($part, (array) $presented['parts'][$i]['settings'], $in, new Paper($settings, $item->media), count($item->question->parts) > 1 ? $i + 1 : null);
            }
        } catch (CoreException $problem) {
            $html = '<div class="gone">'.Paper::text($problem->getMessage()).'</div>';
        }

        return $this->article($item, $settings, $number, $html);
    }

    /** @param  array<mixed>  $presented */
    private function answers(Part $part, array $presented, Circumstances $in, Paper $paper, ?int $place): string
    {
        $answers = $part->scheme->value === 'person' ? [] : ($part->kind?->answers($part, $presented, $in, $paper) ?? []);
        $lines = implode('', array_map(fn (Answer $answer): string => '<li>'.$answer->html.($answer->credit->isEqualTo(1) ? '' : ' <span class="credit">('.self::percent($answer->credit, $in->language).' %)</span>').'</li>', $answers));
        $label = $place === null ? '' : '<span class="place">'.Paper::text($part->label !== '' ? $part->label : "($place)").'</span> ';

        return "<div class=\"answers\">$label".($lines === '' ? '<em>marked by a person</em>' : "<ul>$lines</ul>").'</div>';
    }

    /** Exact where it can be, thirds to one decimal. */
    private static function percent(BigRational $credit, string $language): string
    {
        $percent = $credit->multipliedBy(100);

        return Show::plain()->write(Exact::decimal($percent) === null ? Exact::toPlaces($percent, 1)->toBigRational() : $percent, $language);
    }

    private function article(Item $item, PrintSettings $settings, int $number, string $html): string
    {
        $points = Exact::number($item->points);
        $marks = $settings->points ? '<span class="points">'.Show::plain()->write($item->points, $item->question->language ?? 'en').($points === 1 ? ' point' : ' points').'</span>' : '';

        return '<article class="question" id="'.Paper::text($item->entry)."\"><span class=\"number\">$number.</span><div class=\"asked\" lang=\"".Paper::text($item->question->language ?? 'und')."\">$html</div>$marks</article>";
    }

    private function circumstances(Item $item, PrintSettings $settings): Circumstances
    {
        assert($item->question !== null);

        return Circumstances::of($item->question, $item->question->variables->roll($settings->seed, $item->question->language));
    }

    private function rich(string $html): string
    {
        return RichText::read($html)->html();
    }
}
