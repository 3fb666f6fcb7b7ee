<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Interchange\Ids;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Interchange\SettingsLost;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\PartKinds;
use WideQuarry\Question\Question;

/** An assessment with its items in it. Where it gives a question other points, the item is one of its own that is worth them. */
final class TestWriter
{
    /** @var list<Notice> */
    public array $notices = [];

    /** @var array<string, Question> questions that stand in it */
    public array $asked = [];

    /** @var array<string, true> those with the points of their bank */
    private array $written = [];

    private PartKinds $kinds;

    /**
     * @param  array<string, Question>  $questions
     * @param  \Closure(Question, string): string  $item
     * @param  \Closure(string): string  $told
     */
    public function __construct(private readonly array $questions, private readonly \Closure $item, private readonly \Closure $told)
    {
    }

    public function write(Assessment $assessment, PartKinds $kinds): string
    {
        $this->kinds = $kinds;
        array_push($this->notices, ...SettingsLost::of($assessment, []));
        $sections = implode('', array_map($this->section(...), $assessment->sections, array_keys($assessment->sections)));
        $duration =
            $assessment->timeLimit === null
                ? ''
                : '<duration>'.
                    sprintf(
                        'P0Y0M0DT%dH%dM%dS',
                        intdiv($assessment->timeLimit, 3600),
                        intdiv($assessment->timeLimit % 3600, 60),
                        $assessment->timeLimit % 60,
                    ).
                    '</duration>';

        return "<assessment ident=\"A-$assessment->id\" title=\"".
            Xml::escape($assessment->title).
            "\">$duration".
            $this->instructions($assessment->instructions).
            "$sections</assessment>";
    }

    private function instructions(string $html): string
    {
        return $html === '' ? '' : '<presentation_material><flow_mat>'.($this->told)($html).'</flow_mat></presentation_material>';
    }

    private function section(Section $section, int $i): string
    {
        $order = $section->shuffle ? '<selection_ordering><order order_type="Random"/></selection_ordering>' : '';
        $entries = implode(
            '',
            array_map(
                fn (Pick|Draw $entry): string => $entry instanceof Pick
                    ? $this->pick($entry)
                    : implode('', array_map($this->draw(...), $entry->alone())),
                $section->entries,
            ),
        );

        return '<section ident="'.
            Xml::escape($section->id).
            '" title="'.
            Xml::escape($section->title !== '' ? $section->title : 'Section '.($i + 1)).
            '">'.
            $this->instructions($section->instructions).
            "$order$entries</section>";
    }

    private function pick(Pick $pick): string
    {
        $question =
            $pick->variation === null
                ? $this->questions[$pick->question] ?? null
                : $this->renamed($pick->variation, Ids::of('variation', $pick->id, $pick->question));

        return $this->asked($question, $pick->id, $pick->points(...), $pick->variation === null);
    }

    /** A section inside the section, from which so many are selected. */
    private function draw(Draw $draw): string
    {
        $items = array_values(
            array_filter(
                array_map(
                    fn (string $id, int $i): string => $this->asked(
                        $this->questions[$id] ?? null,
                        "$draw->id-".($i + 1),
                        $draw->points(...),
                        true,
                    ),
                    $draw->pool,
                    array_keys($draw->pool),
                ),
                fn (string $xml): bool => $xml !== '',
            ),
        );

        return '<section ident="'.
            Xml::escape($draw->id).
            '" title="'.
            Xml::escape($draw->title).
            '"><selection_ordering sequence_type="Normal"><selection><selection_number>'.
            min($draw->count, count($items)).
            '</selection_number></selection><order order_type="Random"/></selection_ordering>'.
            implode('', $items).
            '</section>';
    }

    /** @param  \Closure(BigRational): BigRational  $worth */
    private function asked(?Question $question, string $entry, \Closure $worth, bool $asInBank): string
    {
        if ($question === null) {
            $this->notices[] = Notice::loss(
                'qti12.test_question',
                Message::of('interchange.qti12.question-test-not-in-bank'),
            );

            return '';
        }
        if ($asInBank) {
            $this->asked[$question->id] = $question;
        }
        $own = $question->points();
        $points = $worth($own);
        $cannot = $own->isZero() && ! $points->isZero();
        if ($cannot) {
            $this->notices[] = Notice::loss(
                'qti12.test_points',
                Message::of('interchange.qti12.question-without-points-own'),
                null,
                null,
                $question->id,
            );
        }
        if ($cannot || $points->isEqualTo($own)) {
            $ident = "Q-$question->id";
            $there = isset($this->written[$ident]);
            $this->written[$ident] = true;

            return $there ? "<itemref linkrefid=\"$ident\"/>" : ($this->item)($question, $ident);
        }

        return ($this->item)($this->worth($question, $points->dividedBy($own)), "Q-$question->id-".substr(Ids::of($entry), 0, 8));
    }

    private function worth(Question $question, BigRational $factor): Question
    {
        $json = $question->toJson();
        foreach (is_array($json->parts) ? $json->parts : [] as $part) {
            assert($part instanceof \stdClass);
            $part->points =
                is_int($part->points ?? null) || is_float($part->points ?? null)
                    ? Exact::number(Exact::toPlaces(Exact::of((string) $part->points)->multipliedBy($factor), 4)->toBigRational())
                    : 0;
        }

        return Question::read($json, $this->kinds);
    }

    private function renamed(Question $question, string $id): Question
    {
        $json = $question->toJson();
        $json->id = $id;

        return Question::read($json, $this->kinds);
    }
}
