<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\CoreException;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Presentation\Presenter;
use WideQuarry\Question\Part;
use WideQuarry\Question\Question;
use WideQuarry\Question\Scheme;
use WideQuarry\Question\Tools;
use WideQuarry\Scoring\ScoringContext;
use WideQuarry\Stimulus\StimulusRuns;
use WideQuarry\Variables\ValueFormat;

/**
 * An assessment as one document for paper: the learner's sheet, its key, its mark scheme, or notes for markers. Values are rolled, and
 * options stand, as the seed says.
 *
 * @phpstan-import-type Place from StimulusRuns
 */
final readonly class Sheet
{
    public function __construct(private Presenter $presenter)
    {
    }

    /**
     * @param  array<string, PrintedQuestion>  $items  entry → what it asks
     * @return string the body of the document
     */
    public function body(PaperKind $which, Assessment $assessment, array $items, PrintSettings $settings): string
    {
        $total = Exact::zero();
        foreach ($assessment->sections as $section) {
            foreach ($section->picks as $pick) {
                $total = $total->plus(Exact::times($section->weight, $items[$pick->id]->points ?? Exact::zero()));
            }
        }
        $places = StimulusRuns::of(
            array_map(
                fn (Section $section): array => array_map(
                    fn (Pick $pick): ?array => self::isPage($items[$pick->id] ?? null)
                        ? null
                        : array_map(strval(...), array_keys($items[$pick->id]->stimuli ?? [])),
                    $section->picks,
                ),
                $assessment->sections,
            ),
        );
        $number = 0;
        $sections = '';
        foreach ($assessment->sections as $i => $section) {
            $sections .= $this->section($which, $section, $items, $settings, $number, $places[$i]);
        }
        $instructions = $which === PaperKind::Learner ? $this->rich($assessment->instructions) : '';
        $cover = $which === PaperKind::Learner ? $this->rich($assessment->run->cover) : '';

        return (new TitleBlock($settings))->html($assessment->title, $which, Exact::number($total)).
            ($cover === '' ? '' : "<section class=\"cover\">$cover</section>").
            ($instructions === '' ? '' : "<section class=\"instructions\">$instructions</section>").
            "<div class=\"questions\">$sections</div>".
            ($which === PaperKind::Notes && ! str_contains($sections, '<article') ? self::nothing() : '');
    }

    /**
     * @param  array<string, PrintedQuestion>  $items
     * @param  list<Place>  $places  of the section's questions
     */
    private function section(PaperKind $which, Section $section, array $items, PrintSettings $settings, int &$number, array $places): string
    {
        $html = $section->title === '' ? '' : '<h2>'.Paper::text($section->title).'</h2>';
        $html .= $which === PaperKind::Learner ? self::conditions($section) : '';
        $html .=
            $section->instructions === '' || $which !== PaperKind::Learner
                ? ''
                : '<div class="instructions">'.$this->rich($section->instructions).'</div>';
        foreach ($section->picks as $i => $pick) {
            $item = $items[$pick->id] ?? null;
            $number += self::isPage($item) ? 0 : 1;
            if ($item === null) {
                continue;
            }
            if ($item->question === null) {
                $html .=
                    '<article class="question" id="'.
                    Paper::text($pick->id).
                    "\"><span class=\"number\">$number.</span><div class=\"gone\">".
                    Paper::text(Message::of('printing.gone', ['named' => $item->title === '' ? 'no' : 'yes', 'title' => $item->title])).
                    '</div></article>';

                continue;
            }
            if (self::isPage($item)) {
                // text between questions: read, not numbered, and nothing of the key
                $html .= $which === PaperKind::Learner ? $this->page($item, $settings) : '';

                continue;
            }
            $html .= match ($which) {
                PaperKind::Learner => $this->above($item, $settings, $places[$i], $number).$this->asked($item, $settings, $number),
                PaperKind::Key => $this->answered($item, $settings, $number),
                default => $this->forMarkers($which, $item, $settings, $number),
            };
        }

        return $section->newPage ? "<section class=\"new-page\">$html</section>" : "<section>$html</section>";
    }

    /** How much time there is for a section, and what its points count. */
    private static function conditions(Section $section): string
    {
        $said = [];
        if ($section->timeLimit !== null) {
            $values = ['minutes' => intdiv($section->timeLimit, 60), 'seconds' => $section->timeLimit % 60];
            $said[] = Message::of('printing.time-for-section', $values);
        }
        if (! $section->weight->isEqualTo(1)) {
            $said[] = Message::of('printing.weight', ['times' => (string) Exact::number($section->weight)]);
        }

        return $said === [] ? '' : '<p class="conditions">'.Paper::text(implode(' ', $said)).'</p>';
    }

    private static function gone(string $message, CoreException $problem): string
    {
        return '<div class="gone">'.Paper::text(Message::of("printing.$message", ['why' => $problem->getMessage()])).'</div>';
    }

    private static function nothing(): string
    {
        return '<p class="gone">'.Paper::text(Message::of('printing.no-notes')).'</p>';
    }

    private static function for(string $message, int $first, int $last): string
    {
        return '<p class="for">'.Paper::text(Message::of("printing.$message", ['first' => $first, 'last' => $last])).'</p>';
    }

    private static function isPage(?PrintedQuestion $item): bool
    {
        return $item?->question !== null && $item->question->parts === [];
    }

    private function page(PrintedQuestion $item, PrintSettings $settings): string
    {
        assert($item->question !== null);
        try {
            $body = $this->presenter->present($item->question, $settings->seedOf($item->entry))['body'];
            $html = (new Paper($settings, $item->media))->html($body);
        } catch (CoreException $problem) {
            $html = self::gone('page-not-shown', $problem);
        }

        return '<article class="page" id="'.
            Paper::text($item->entry).
            '" lang="'.
            Paper::text($item->question->language).
            "\">$html</article>";
    }

    /**
     * What the question shares with its neighbours, above the first of them; or where it stood.
     *
     * @param  Place  $place
     */
    private function above(PrintedQuestion $item, PrintSettings $settings, array $place, int $number): string
    {
        $html = '';
        foreach ($place['begins'] as ['id' => $id, 'last' => $last]) {
            $shared = $item->stimuli[$id];
            $for = match ($last - $number) {
                0 => '',
                1 => self::for('for-two', $number, $last),
                default => self::for('for-several', $number, $last),
            };
            $title = $shared->title === '' ? '' : '<p class="stimulus-title">'.Paper::text($shared->title).'</p>';
            $html .=
                '<aside class="stimulus" lang="'.
                Paper::text($shared->language).
                "\">$for$title".
                (new Paper($settings, $shared->media))->html(Tree::of($shared->html)).
                '</aside>';
        }
        foreach ($place['again'] as ['id' => $id, 'of' => $of]) {
            $title = $item->stimuli[$id]->title;
            $html .=
                '<p class="again">'.
                Paper::text(Message::of('printing.look-again', ['named' => $title === '' ? 'no' : 'yes', 'title' => $title, 'of' => $of])).
                '</p>';
        }

        return $html;
    }

    private function asked(PrintedQuestion $item, PrintSettings $settings, int $number): string
    {
        assert($item->question !== null);
        $paper = new Paper($settings, $item->media, $settings->spaceOf($item->entry));
        try {
            $presented = $this->presenter->present($item->question, $settings->seedOf($item->entry));
            $parts = [];
            foreach ($item->question->parts as $i => $part) {
                $drawn = (array) $presented['parts'][$i]['settings'];
                $isAsked = $part->kind instanceof PrintableKind && ! $item->question->scoring->isInstead($part->id);
                $parts[$part->id] = $isAsked ? $part->kind->onPaper($part, $drawn, $paper) : '';
                $gaps = is_array($drawn['gaps'] ?? null) ? array_values(array_filter($drawn['gaps'], is_string(...))) : [];
                foreach ($gaps as $j => $gap) {
                    $parts["$part->id\t$gap"] = $paper->gap(count($gaps) > 1 ? $j + 1 : null);
                }
            }
            $allowed = self::beside($item, $item->question, $settings);
            $html = $paper->html($presented['body'], $parts).
                ($allowed === '' ? '' : '<p class="allowed">'.Paper::text($allowed).'</p>').
                $this->working($item->question, $paper);
        } catch (CoreException $problem) {
            $html = self::gone('question-not-shown', $problem);
        }

        return $this->article($item, $settings, $number, $html);
    }

    /** What may be used for a question and how long it may take; and which roll and standards, where that is wished. */
    private static function beside(PrintedQuestion $item, Question $question, PrintSettings $settings): string
    {
        $allowed = Tools::of($question)->inWords($question->timeLimit);
        $roll = $settings->roll && $question->variables->list !== []
            ? Message::of('printing.roll', ['seed' => (string) $settings->seedOf($item->entry)->value])
            : '';

        $standards = $settings->standards ? implode(', ', $item->standards) : '';

        return trim("$allowed $roll $standards");
    }

    /** Room below a question that has none of its own, where somebody set it. */
    private function working(Question $question, Paper $paper): string
    {
        $own = array_filter($question->parts, fn (Part $part): bool => $part->kind?->hasRules() === false);

        return $own === [] ? $paper->answerSpace(0) : '';
    }

    /** What markers need to know of a question, below what it is called. */
    private function forMarkers(PaperKind $which, PrintedQuestion $item, PrintSettings $settings, int $number): string
    {
        assert($item->question !== null);
        try {
            $presented = $this->presenter->present($item->question, $settings->seedOf($item->entry));
            $in = $this->circumstances($item, $settings);
            $paper = new Paper($settings, $item->media);
            $asked = array_filter($item->question->parts, fn (Part $one): bool => ! $item->question->scoring->isInstead($one->id));
            $html = '';
            foreach ($asked as $i => $part) {
                $said =
                    $which === PaperKind::Scheme
                        ? (new MarkScheme($in, $paper))->html($part, (array) $presented['parts'][$i]['settings'])
                        : (new MarkersNotes($in, $paper))->html($part);
                $html .= $said === '' ? '' : $this->ofPart($part, count($asked) > 1 ? $i + 1 : null, $said);
            }
        } catch (CoreException $problem) {
            $html = '<div class="gone">'.Paper::text($problem->getMessage()).'</div>';
        }
        if ($html === '' && $which === PaperKind::Notes) {
            return '';
        }
        $notes = $which === PaperKind::Scheme ? $item->question->record->notes : '';

        return $this->article(
            $item,
            $settings,
            $number,
            '<p class="about">'.Paper::text($item->question->name()).'</p>'.$html
                .($notes === '' ? '' : '<p class="note">'.Paper::text($notes).'</p>'),
            'question for-markers',
        );
    }

    private function ofPart(Part $part, ?int $place, string $html): string
    {
        if ($place === null) {
            return $html;
        }
        $points = ValueFormat::plain()->write($part->points(), 'en');
        $said = Message::of('printing.part-with-points', [
            'name' => $part->label !== '' ? $part->label : "($place)",
            'points' => $points,
            'one' => $points === '1' ? 'yes' : 'no',
        ]);

        return '<p class="place">'.Paper::text($said)."</p>$html";
    }

    private function answered(PrintedQuestion $item, PrintSettings $settings, int $number): string
    {
        assert($item->question !== null);
        try {
            $presented = $this->presenter->present($item->question, $settings->seedOf($item->entry));
            $in = $this->circumstances($item, $settings);
            $html = '';
            $asked = array_filter($item->question->parts, fn (Part $one): bool => ! $item->question->scoring->isInstead($one->id));
            foreach ($asked as $i => $part) {
                $html .= $this->answers(
                    $part,
                    (array) $presented['parts'][$i]['settings'],
                    $in,
                    new Paper($settings, $item->media),
                    count($asked) > 1 ? $i + 1 : null,
                );
            }
        } catch (CoreException $problem) {
            $html = '<div class="gone">'.Paper::text($problem->getMessage()).'</div>';
        }

        return $this->article($item, $settings, $number, $html);
    }

    /** @param  array<mixed>  $presented */
    private function answers(Part $part, array $presented, ScoringContext $in, Paper $paper, ?int $place): string
    {
        $answers =
            $part->scheme !== Scheme::Person && $part->kind instanceof PrintableKind
                ? $part->kind->answers($part, $presented, $in, $paper)
                : [];
        $lines = implode(
            '',
            array_map(
                fn (PrintedAnswer $answer): string => '<li>'.
                    $answer->html.
                    ($answer->credit->isEqualTo(1)
                        ? ''
                        : ' <span class="credit">('.self::percent($answer->credit, $in->language).' %)</span>').
                    '</li>',
                $answers,
            ),
        );
        $label =
            $place === null ? '' : '<span class="place">'.Paper::text($part->label !== '' ? $part->label : "($place)").'</span> ';

        $said = $lines === '' ? '<em>'.Paper::text(Message::of('printing.marked-by-a-person')).'</em>' : "<ul>$lines</ul>";

        return "<div class=\"answers\">$label$said</div>";
    }

    /** Exact where it can be, thirds to one decimal. */
    private static function percent(BigRational $credit, string $language): string
    {
        $percent = $credit->multipliedBy(100);

        return ValueFormat::plain()->write(
            Exact::decimal($percent) === null ? Exact::toPlaces($percent, 1)->toBigRational() : $percent,
            $language,
        );
    }

    private function article(PrintedQuestion $item, PrintSettings $settings, int $number, string $html, string $class = 'question'): string
    {
        $points = Exact::number($item->points);
        $marks = $settings->points
            ? '<span class="points">'.
                ValueFormat::plain()->write($item->points, $item->question->language ?? 'en').
                ($points === 1 ? ' point' : ' points').
                '</span>'
            : '';

        return "<article class=\"$class\" id=\"".
            Paper::text($item->entry).
            "\"><span class=\"number\">$number.</span><div class=\"asked\" lang=\"".
            Paper::text($item->question->language ?? 'und').
            "\">$html</div>$marks</article>";
    }

    private function circumstances(PrintedQuestion $item, PrintSettings $settings): ScoringContext
    {
        assert($item->question !== null);

        $roll = $item->question->variables->roll($settings->seedOf($item->entry), $item->question->language);

        return ScoringContext::of($item->question, $roll);
    }

    private function rich(string $html): string
    {
        return RichText::read($html)->html();
    }
}
