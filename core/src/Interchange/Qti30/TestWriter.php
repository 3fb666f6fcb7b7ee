<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use Brick\Math\BigRational;
use WideQuarry\Assembly\Assessment;
use WideQuarry\Assembly\Draw;
use WideQuarry\Assembly\EntryPlace;
use WideQuarry\Assembly\EntrySettings;
use WideQuarry\Assembly\Pick;
use WideQuarry\Assembly\Section;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\SettingsLost;
use WideQuarry\Messages\Message;
use WideQuarry\Numbers\Exact;
use WideQuarry\Question\Question;

/** An assessment as a QTI 3.0 test: one part, its sections, a reference to an item for each pick, weights where points differ. */
final class TestWriter
{
    /** @var list<Notice> */
    private array $notices = [];

    /** What qti-item-session-control, qti-time-limits, qti-weight, qti-ordering, navigation and fixed can say (QTI 3.0 ASI). */
    private const KNOWN = ['attempts', 'feedback', 'weight', 'section_time', 'go_back', 'order', 'place', 'fixed'];

    /** Of the section that is being written. */
    private BigRational $weight;

    /** @param  array<string, array{href: string, question: Question}>  $items  entry, or draw and question → its item in the package */
    public function __construct(private readonly array $items)
    {
        $this->weight = Exact::of('1');
    }

    /** @return array{string, list<Notice>} */
    public function write(Assessment $assessment): array
    {
        $sections = '';
        foreach ($assessment->sections as $i => $section) {
            $sections .= $this->section($section, $i === 0 ? $assessment->instructions : '', $assessment->run->shuffle);
        }
        array_push($this->notices, ...SettingsLost::of($assessment, self::KNOWN));
        $run = isset($assessment->toJson()->run) ? $assessment->run : null;
        $control = $run === null ? '' : self::control($run->settings);
        $mode = $assessment->run->goBack ? 'nonlinear' : 'linear';
        $submission = $run?->feedback->speaksAfter(true) === true ? 'individual' : 'simultaneous';
        $limit = $assessment->timeLimit === null ? '' : "<qti-time-limits max-time=\"$assessment->timeLimit\"/>";
        $xml =
            '<?xml version="1.0" encoding="UTF-8"?>'.
            "\n".
            '<qti-assessment-test xmlns="'.
            Qti30Format::NAMESPACE.
            "\" identifier=\"A-$assessment->id\" title=\"".
            Xml::escape($assessment->title).
            '" xml:lang="'.
            Xml::escape($assessment->language).
            '">'.
            '<qti-outcome-declaration identifier="SCORE" cardinality="single" base-type="float"/>'.
            $limit.
            "<qti-test-part identifier=\"part-1\" navigation-mode=\"$mode\" submission-mode=\"$submission\">".
            "$control$sections</qti-test-part>".
            '<qti-outcome-processing><qti-set-outcome-value identifier="SCORE"><qti-sum>'.
                '<qti-test-variables variable-identifier="SCORE" weight-identifier="POINTS"/></qti-sum></qti-set-outcome-value>'.
                '</qti-outcome-processing></qti-assessment-test>'.
            "\n";

        return [$xml, $this->notices];
    }

    /** How often a learner may try, and whether feedback is shown after the last try. */
    private static function control(EntrySettings $settings): string
    {
        $allowed = $settings->attempts->allowed ?? 0; // 0: as often as one likes
        $attributes =
            ($settings->attempts === null || ! is_int($allowed) ? '' : " max-attempts=\"$allowed\"").
            ($settings->feedback === null ? '' : ' show-feedback="'.($settings->feedback->speaksAfter(true) ? 'true' : 'false').'"');

        return $attributes === '' ? '' : "<qti-item-session-control$attributes/>";
    }

    private function section(Section $section, string $before, bool $isShuffled): string
    {
        $this->weight = $section->weight;
        $rubric = '';
        foreach (array_filter([$before, $section->instructions], fn (string $html): bool => $html !== '') as $html) {
            $rubric .=
                '<qti-rubric-block use="instructions" view="candidate"><qti-content-body>'.
                self::blocks($html).
                '</qti-content-body></qti-rubric-block>';
        }
        $refs = implode(
            '',
            array_map(
                fn (Pick|Draw $entry): string => $entry instanceof Pick
                    ? $this->reference($entry)
                    : implode('', array_map($this->draw(...), $entry->alone())),
                $section->entries,
            ),
        );

        return '<qti-assessment-section identifier="'.
            Identifiers::of($section->id).
            '" title="'.
            Xml::escape($section->title).
            '" visible="true">'.
            self::control($section->settings).
            ($section->timeLimit === null ? '' : "<qti-time-limits max-time=\"$section->timeLimit\"/>").
            ($section->shuffle || $isShuffled ? '<qti-ordering shuffle="true"/>' : '').
            "$rubric$refs</qti-assessment-section>";
    }

    /** A section inside the section, of which so many are selected (QTI 3.0 ASI, qti-selection). */
    private function draw(Draw $draw): string
    {
        $refs = '';
        $there = 0;
        foreach ($draw->pool as $i => $question) {
            $ref = $this->item(
                "$draw->id-".($i + 1),
                $this->items["draw $question"] ?? null,
                $question,
                fn (BigRational $own): BigRational => $draw->points($own),
                self::control($draw->settings),
            );
            $refs .= $ref;
            $there += $ref === '' ? 0 : 1;
        }

        return '<qti-assessment-section identifier="'.
            Identifiers::of($draw->id).
            '" title="'.
            Xml::escape($draw->title).
            '" visible="false"'.
            (self::isFixed($draw) ? ' fixed="true"' : '').
            '><qti-selection select="'.
            min($draw->count, $there).
            '"/><qti-ordering shuffle="true"/>'.
            $refs.
            '</qti-assessment-section>';
    }

    private static function isFixed(Pick|Draw $entry): bool
    {
        return $entry->fixed || $entry->place !== EntryPlace::Anywhere;
    }

    private function reference(Pick $pick): string
    {
        return $this->item(
            $pick->id,
            $this->items[$pick->id] ?? null,
            $pick->question,
            $pick->points(...),
            self::control($pick->settings),
            self::isFixed($pick),
        );
    }

    /**
     * @param  array{href: string, question: Question}|null  $item
     * @param  \Closure(BigRational): BigRational  $worth  points here by those of the question
     */
    private function item(
        string $id,
        ?array $item,
        string $question,
        \Closure $worth,
        string $control,
        bool $isFixed = false,
    ): string {
        if ($item === null) {
            $this->notices[] = Notice::loss(
                'qti.test_question',
                Message::of('interchange.qti30.question-test-not-in-bank'),
            );

            return '';
        }
        $own = $item['question']->points();
        $points = Exact::times($worth($own), $this->weight);
        $weight = $points->isEqualTo($own)
            ? ''
            : ($own->isZero()
                ? null
                : '<qti-weight identifier="POINTS" value="'.ScoreFloats::float($points->dividedBy($own)).'"/>');
        if ($weight === null) {
            $this->notices[] = Notice::loss(
                'qti.test_points',
                Message::of('interchange.qti30.question-without-points-own'),
                null,
                null,
                $question,
            );
        }

        return '<qti-assessment-item-ref identifier="'.
            Identifiers::of($id).
            "\" href=\"../{$item['href']}\"".
            ($isFixed ? ' fixed="true"' : '').
            ">$control$weight</qti-assessment-item-ref>";
    }

    /** Text that stands alone is a paragraph. */
    private static function blocks(string $html): string
    {
        return preg_match('/^<(p|div|ul|ol|table|h[1-6]|blockquote|pre)\b/', $html) === 1 ? $html : "<p>$html</p>";
    }
}
