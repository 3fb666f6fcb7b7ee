<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Tree;
use WideQuarry\CoreException;
use WideQuarry\Forms\FormSet;
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

    /** @return string the body of the document */
    public function body(PaperKind $which, PrintedTest $test, ?FormSet $forms = null): string
    {
        $title = new TitleBlock($test);

        return match ($which) {
            PaperKind::Cover => (new CoverPage($test))->html(),
            PaperKind::Answers => $title->html($which).(new AnswerSheet($this->presenter, $test))->html(),
            PaperKind::Keys => $title->html($which).(new KeyTable($test))->html($forms),
            PaperKind::Contents => $title->html($which).(new ContentsPage($test))->html(),
            default => $this->questions($which, $test),
        };
    }

    private function questions(PaperKind $which, PrintedTest $test): string
    {
        $items = $test->items;
        $places = StimulusRuns::of(
            array_map(
                fn (Section $section): array => array_map(
                    fn (Pick $pick): ?array => PrintedTest::isPage($items[$pick->id] ?? null)
                        ? null
                        : array_map(strval(...), array_keys($items[$pick->id]->stimuli ?? [])),
                    $section->picks,
                ),
                $test->assessment->sections,
            ),
            $test->settings->stimuli === 'each',
        );
        $sections = '';
        foreach ($test->assessment->sections as $i => $section) {
            $sections .= $this->section($which, $section, $test, $places[$i]);
        }
        $instructions = $which === PaperKind::Learner ? $this->rich($test->assessment->instructions) : '';
        $cover = $which === PaperKind::Learner ? $this->rich($test->assessment->run->cover) : '';

        return (new TitleBlock($test))->html($which).
            ($cover === '' ? '' : "<section class=\"cover\">$cover</section>").
            ($instructions === '' ? '' : "<section class=\"instructions\">$instructions</section>").
            "<div class=\"questions\">$sections</div>".
            ($which === PaperKind::Notes && ! str_contains($sections, '<article') ? self::nothing() : '');
    }

    /** @param  list<Place>  $places  of the section's questions */
    private function section(PaperKind $which, Section $section, PrintedTest $test, array $places): string
    {
        $html = $section->title === '' ? '' : '<h2>'.Paper::text($section->title).'</h2>';
        $html .= $which === PaperKind::Learner ? self::conditions($section, $test) : '';
        $html .=
            $section->instructions === '' || $which !== PaperKind::Learner
                ? ''
                : '<div class="instructions">'.$this->rich($section->instructions).'</div>';
        foreach ($section->picks as $i => $pick) {
            $item = $test->items[$pick->id] ?? null;
            if ($item === null) {
                continue;
            }
            if ($item->question === null) {
                $html .= $this->missing($item, $test);

                continue;
            }
            if (PrintedTest::isPage($item)) {
                $html .= $which === PaperKind::Learner ? $this->page($item, $test) : '';

                continue;
            }
            $html .= match ($which) {
                PaperKind::Learner => $this->above($item, $test, $places[$i]).$this->asked($item, $test),
                PaperKind::Author => $this->above($item, $test, $places[$i]).$this->asked($item, $test, true),
                PaperKind::Key => $this->answered($item, $test),
                default => $this->forMarkers($which, $item, $test),
            };
        }

        return $section->newPage ? "<section class=\"new-page\">$html</section>" : "<section>$html</section>";
    }

    /** Its number, and that it is not there any more. */
    private function missing(PrintedQuestion $item, PrintedTest $test): string
    {
        $values = ['named' => $item->title === '' ? 'no' : 'yes', 'title' => $item->title];

        return '<article class="question" id="'.Paper::text($test->id($item->entry)).'"><h3 class="number">'.
            Paper::text($test->label($item->entry)).'.</h3><div class="gone">'.
            Paper::text(Message::of('printing.gone', $values)).'</div></article>';
    }

    /** How much time there is for a section, and what its points count. */
    private static function conditions(Section $section, PrintedTest $test): string
    {
        $said = [];
        if ($section->timeLimit !== null) {
            $values = ['minutes' => intdiv($section->timeLimit, 60), 'seconds' => $section->timeLimit % 60];
            $said[] = $test->words->say('time-section', $values);
        }
        if (! $section->weight->isEqualTo(1)) {
            $said[] = $test->words->say('weight', ['times' => (string) Exact::number($section->weight)]);
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

    private static function for(PrintedTest $test, int $first, int $last): string
    {
        $words = match ($last - $first) {
            0 => '',
            1 => 'for-two',
            default => 'for-several',
        };
        $numbers = ['first' => $test->labelOf($first), 'last' => $test->labelOf($last)];

        return $words === '' ? '' : '<p class="for">'.Paper::text($test->words->say($words, $numbers)).'</p>';
    }

    private function page(PrintedQuestion $item, PrintedTest $test): string
    {
        $settings = $test->settings;
        assert($item->question !== null);
        try {
            $body = $this->presenter->present($item->question, $settings->seedOf($item->entry))['body'];
            $html = (new Paper($settings, $item->media))->html($body);
        } catch (CoreException $problem) {
            $html = self::gone('page-not-shown', $problem);
        }

        return '<article class="page" id="'.
            Paper::text($test->id($item->entry)).
            '"'.
            Paper::language($item->question->language).
            ">$html</article>";
    }

    /**
     * What the question shares with its neighbours, above the first of them; or where it stood.
     *
     * @param  Place  $place
     */
    private function above(PrintedQuestion $item, PrintedTest $test, array $place): string
    {
        $html = '';
        foreach ($place['begins'] as ['id' => $id, 'first' => $first, 'last' => $last]) {
            $shared = $item->stimuli[$id];
            $title = $shared->title === '' ? '' : '<p class="stimulus-title">'.Paper::text($shared->title).'</p>';
            $called = $test->stimulusId($id);
            $html .=
                (isset($test->blanks[$called]) ? '<div class="blank-page"></div>' : '').
                '<aside id="'.Paper::text($called).'" class="stimulus'.($test->settings->stimuli === 'facing' ? ' facing' : '').'"'.
                Paper::language($shared->language).
                '>'.self::for($test, $first, $last).$title.
                (new Paper($test->settings, $shared->media))->html(Tree::of($shared->html)).
                '</aside>';
        }
        foreach ($place['again'] as ['id' => $id, 'of' => $of]) {
            $title = $item->stimuli[$id]->title;
            $values = ['named' => $title === '' ? 'no' : 'yes', 'title' => $title, 'of' => $test->labelOf($of)];
            $html .= '<p class="again">'.Paper::text($test->words->say('look-again', $values)).'</p>';
        }

        return $html;
    }

    /** @param  bool  $isForAuthor  with details, and no room for answers */
    private function asked(PrintedQuestion $item, PrintedTest $test, bool $isForAuthor = false): string
    {
        assert($item->question !== null);
        $settings = $test->settings;
        $paper = new Paper($settings, $item->media, $isForAuthor ? AnswerSpace::lines(0) : $settings->spaceOf($item->entry));
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
            $allowed = self::beside($item, $item->question, $settings, $isForAuthor);
            $html = $paper->html($presented['body'], $parts).
                ($allowed === '' ? '' : '<p class="allowed">'.Paper::text($allowed).'</p>').
                ($isForAuthor ? $this->details($item, $item->question, $settings, $paper, $presented['parts']) : '').
                $this->working($item->question, $paper);
        } catch (CoreException $problem) {
            $html = self::gone('question-not-shown', $problem);
        }

        return $this->article($item, $test, $html, $isForAuthor ? 'question for-author' : 'question');
    }

    /** @param  list<array<string, mixed>>  $parts  as they were presented */
    private function details(PrintedQuestion $item, Question $question, PrintSettings $settings, Paper $paper, array $parts): string
    {
        return (new QuestionDetails($this->circumstances($item, $settings), $paper))->html($item, $question, $settings->details, $parts);
    }

    /**
     * What may be used for a question and how long it may take; and which roll and standards, where that is wished and nothing else says
     * them.
     */
    private static function beside(PrintedQuestion $item, Question $question, PrintSettings $settings, bool $isForAuthor): string
    {
        $allowed = Tools::of($question)->inWords($question->timeLimit);
        $roll = $settings->roll && $question->variables->list !== []
            ? Message::of('printing.roll', ['seed' => (string) $settings->seedOf($item->entry)->value])
            : '';

        $details = $isForAuthor ? [] : array_filter([
            $settings->standards ? implode(', ', $item->standards) : '',
            $settings->difficulty && $question->record->classification->difficulty !== null
                ? Message::of('printing.difficulty', ['level' => $question->record->classification->difficulty])
                : '',
            $settings->source ? $question->record->provenance->source : '',
        ]);

        return trim("$allowed $roll ".implode(' · ', $details));
    }

    /** Room below a question that has none of its own, where somebody set it. */
    private function working(Question $question, Paper $paper): string
    {
        $own = array_filter($question->parts, fn (Part $part): bool => $part->kind?->hasRules() === false);

        return $own === [] ? $paper->answerSpace(0) : '';
    }

    /** What markers need to know of a question, below what it is called. */
    private function forMarkers(PaperKind $which, PrintedQuestion $item, PrintedTest $test): string
    {
        assert($item->question !== null);
        $settings = $test->settings;
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
            $test,
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

    private function answered(PrintedQuestion $item, PrintedTest $test): string
    {
        assert($item->question !== null);
        $settings = $test->settings;
        try {
            $presented = $this->presenter->present($item->question, $settings->seedOf($item->entry));
            $key = new PrintedKey($this->circumstances($item, $settings), new Paper($settings, $item->media));
            $html = $key->html($item->question, $presented['parts']);
        } catch (CoreException $problem) {
            $html = '<div class="gone">'.Paper::text($problem->getMessage()).'</div>';
        }

        return $this->article($item, $test, $html);
    }

    private function article(PrintedQuestion $item, PrintedTest $test, string $html, string $class = 'question'): string
    {
        $settings = $test->settings;
        $points = Paper::text($test->points($item->points));
        $isLearners = $class === 'question';
        $after = $settings->points && $settings->pointsAt === 'after' && $isLearners ? "<p class=\"points-after\">($points)</p>" : '';
        $margin = match (true) {
            $isLearners && $settings->boxes => '<span class="points boxed"><span class="score-box"></span>'.
                ($settings->points && $after === '' ? $points : '').'</span>',
            $settings->points && $after === '' => "<span class=\"points\">$points</span>",
            default => '',
        };
        $breaks = $isLearners && $settings->breaksBefore($item->entry) ? ' breaks' : '';

        return "<article class=\"$class$breaks\" id=\"".
            Paper::text($test->id($item->entry)).
            '"><h3 class="number">'.
            Paper::text($test->label($item->entry)).
            '.</h3><div class="asked"'.
            Paper::language($item->question->language ?? 'und').
            ">$html$after<span class=\"end\" id=\"".
            Paper::text($test->id($item->entry)).
            "-end\"></span></div>$margin</article>";
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
