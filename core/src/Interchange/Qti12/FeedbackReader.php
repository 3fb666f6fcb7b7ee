<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Brick\Math\BigRational;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\Keys\Shape;
use WideQuarry\Interchange\Keys\Translation;
use WideQuarry\Interchange\Qti30\Xml;

/** Feedback by when it is shown: for one option, for what is right, wrong or partly right, or always. Hints and solutions as such. */
final readonly class FeedbackReader
{
    /**
     * @param  list<Response>  $responses
     * @param  \Closure(\DOMElement): string  $html
     */
    public function __construct(private \DOMElement $item, private Translation $translation, private array $responses, private \Closure $html)
    {
    }

    /** @return bool whether some of it has no place in the question */
    public function place(\stdClass $question, bool $isKeyed): bool
    {
        $left = false;
        foreach (Xml::children($this->item, 'itemfeedback') as $feedback) {
            $solution = $feedback->getElementsByTagName('solution')->item(0);
            $hint = $feedback->getElementsByTagName('hint')->item(0);
            $said = ($this->html)($solution ?? $hint ?? $feedback);
            $said = $said !== '' ? $said : $this->deep($solution ?? $hint);
            if ($said === '') {
                continue;
            }
            if ($hint !== null && $solution === null) {
                $hints = is_array($question->hints ?? null) ? $question->hints : [];
                $question->hints = [...$hints, (object) ['id' => 'h'.(count($hints) + 1), 'html' => $said, 'cost' => '0']];
            } elseif ($solution !== null) {
                $this->set($question, 'general', $said, 'after');
            } else {
                $left = ! $this->shown($question, $feedback->getAttribute('ident'), $said, $isKeyed) || $left;
            }
        }

        return $left;
    }

    private function deep(?\DOMElement $element): string
    {
        $html = '';
        foreach ($element === null ? [] : Xml::children($element) as $child) {
            $html .= ($this->html)($child);
        }

        return $html;
    }

    private function shown(\stdClass $question, string $ident, string $said, bool $isKeyed): bool
    {
        $most = $this->translation->most();
        $rows = array_filter($this->translation->rows, fn (array $row): bool => array_filter($row['given']) !== []);
        $when = array_filter($rows, fn (array $row): bool => in_array($ident, $row['shows'], true));
        if ($when === []) {
            return true; // never shown, so nothing is lost
        }
        $option = $this->option($when, $rows);
        $place = match (true) {
            count($when) === count($rows) => 'general',
            ! $isKeyed => null,
            $this->same($when, $rows, fn (BigRational $score): bool => $score->isEqualTo($most)) => 'right',
            $this->same($when, $rows, fn (BigRational $score): bool => ! $score->isPositive()) && $option === null => 'wrong',
            $this->same($when, $rows, fn (BigRational $score): bool => ! $score->isEqualTo($most)) && $option === null => 'wrong',
            $this->same($when, $rows, fn (BigRational $score): bool => $score->isPositive() && ! $score->isEqualTo($most)) && $option === null => 'partly',
            default => null,
        };
        if ($place !== null) {
            $this->set($question, $place, $said, 'both');

            return true;
        }

        return $option !== null && $isKeyed && $this->atRule($question, $option, $said);
    }

    /**
     * @param  array<array{score: BigRational}>  $when
     * @param  array<array{score: BigRational}>  $rows
     * @param  \Closure(BigRational): bool  $is
     */
    private function same(array $when, array $rows, \Closure $is): bool
    {
        return array_keys($when) === array_keys(array_filter($rows, fn (array $row): bool => $is($row['score'])));
    }

    /**
     * The one option of a single choice it is shown for.
     *
     * @param  array<array{given: array<string, list<string>>}>  $when
     * @param  array<array{given: array<string, list<string>>}>  $rows
     */
    private function option(array $when, array $rows): ?string
    {
        $only = $this->responses[0] ?? null;

        return count($this->responses) === 1 && $only !== null && $only->shape === Shape::Picks && ! $only->several && count($when) === 1 && count($rows) > 1 ? array_values($when)[0]['given'][$only->id][0] ?? null : null;
    }

    private function atRule(\stdClass $question, string $option, string $said): bool
    {
        $part = is_array($question->parts) ? $question->parts[0] : null;
        if (! $part instanceof \stdClass || ! $part->key instanceof \stdClass || ! is_array($part->key->rules)) {
            return false;
        }
        foreach ($part->key->rules as $rule) {
            if ($rule instanceof \stdClass && $rule->on === $option) {
                $rule->feedback = (object) ['html' => $said, 'show' => 'both'];

                return true;
            }
        }
        $part->key->rules[] = (object) ['id' => 'r'.(count($part->key->rules) + 1), 'on' => $option, 'credit' => '0', 'feedback' => (object) ['html' => $said, 'show' => 'both']];

        return true;
    }

    private function set(\stdClass $question, string $place, string $said, string $show): void
    {
        $question->feedback ??= new \stdClass;
        assert($question->feedback instanceof \stdClass);
        $before = isset($question->feedback->{$place}) && $question->feedback->{$place} instanceof \stdClass && is_string($question->feedback->{$place}->html) ? $question->feedback->{$place}->html : '';
        $question->feedback->{$place} = (object) ['html' => $before.$said, 'show' => $show];
    }
}
