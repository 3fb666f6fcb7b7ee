<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Question\Feedback;
use WideQuarry\Question\Question;
use WideQuarry\Question\Rule;

/** Feedback as itemfeedback, shown by the conditions of what it is about. */
final class FeedbackWriter
{
    private string $items = '';

    private bool $timed = false;

    private bool $lost = false;

    /**
     * @param  array<string, Terms>  $terms  part → its marking
     * @param  \Closure(string): string  $material
     */
    public function __construct(
        private readonly Question $question,
        private readonly array $terms,
        private readonly \Closure $material,
    ) {
    }

    /** What a term shows. */
    public function shown(string $part, int $i, ?Rule $rule): string
    {
        return $rule?->feedback === null ? '' : $this->show("F-$part-".($i + 1), $rule->feedback);
    }

    /** @return list<string> conditions that only show something */
    public function conditions(): array
    {
        $conditions = [];
        foreach ($this->question->parts as $part) {
            $terms = $this->terms[$part->id] ?? null;
            if ($part->feedback !== [] && $terms !== null) {
                array_push($conditions, ...$this->states("F-$part->id", $part->feedback, $terms->right, $terms->some, $terms->bounded));
            }
        }
        if ($this->question->feedback !== [] && $this->terms !== []) {
            $all = array_values($this->terms);
            $some = array_map(fn (Terms $terms): string => $terms->some, $all);
            array_push(
                $conditions,
                ...$this->states(
                    'F',
                    array_diff_key($this->question->feedback, ['general' => 1]),
                    Terms::all(array_map(fn (Terms $terms): string => $terms->right, $all)),
                    in_array('', $some, true) ? '' : Terms::any($some),
                    array_filter($all, fn (Terms $terms): bool => $terms->bounded) !== [],
                ),
            );
        }

        return [...$conditions, ...$this->always()];
    }

    /** @return list<string> what shows whatever is given */
    public function always(): array
    {
        $general = $this->question->feedback['general'] ?? null;

        return $general === null || $general->show === 'after'
            ? []
            : [
                '<respcondition continue="Yes"><conditionvar><other/></conditionvar>'.
                $this->show('F-general', $general).
                '</respcondition>',
            ];
    }

    /** Everything that is said, with hints and the solution. */
    public function items(): string
    {
        $general = $this->question->feedback['general'] ?? null;
        $solution =
            $general?->show !== 'after'
                ? ''
                : '<itemfeedback ident="F-general"><solution><solutionmaterial>'.
                    ($this->material)($general->html).
                    '</solutionmaterial></solution></itemfeedback>';
        $hints = '';
        foreach ($this->question->hints as $i => $hint) {
            $hints .=
                '<itemfeedback ident="H-'.
                ($i + 1).
                '"><hint><hintmaterial>'.
                ($this->material)($hint->html).
                '</hintmaterial></hint></itemfeedback>';
        }

        return $this->items.$solution.$hints;
    }

    public function losesTime(): bool
    {
        return $this->timed;
    }

    public function losesStates(): bool
    {
        return $this->lost;
    }

    /**
     * @param  array<string, Feedback>  $feedback
     * @return list<string>
     */
    private function states(string $id, array $feedback, string $right, string $some, bool $bounded): array
    {
        $some = $bounded ? '' : $some; // where wrong things cost, something right may earn nothing
        $conditions = [];
        foreach ($feedback as $state => $said) {
            $test = match ($state) {
                'right' => $right,
                'partly' => $some === '' || $some === $right ? '' : Terms::all([$some, Terms::not($right)]),
                'wrong' => $some === '' ? '' : Terms::not($some),
                default => '',
            };
            if ($test === '') {
                $this->lost = $this->lost || ! ($state === 'partly' && $some === $right); // what never is needs no words
            } else {
                $conditions[] =
                    "<respcondition continue=\"Yes\"><conditionvar>$test</conditionvar>".
                    $this->show("$id-$state", $said).
                    '</respcondition>';
            }
        }

        return $conditions;
    }

    private function show(string $ident, Feedback $feedback): string
    {
        $this->timed = $this->timed || $feedback->show !== 'both';
        $this->items .=
            '<itemfeedback ident="'.
            Xml::escape($ident).
            '" view="Candidate"><flow_mat>'.
            ($this->material)($feedback->html).
            '</flow_mat></itemfeedback>';

        return '<displayfeedback feedbacktype="Response" linkrefid="'.Xml::escape($ident).'"/>';
    }
}
