<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Keys\FeedbackPlaces;
use WideQuarry\Interchange\Keys\KeySearch;
use WideQuarry\Interchange\Keys\Response;
use WideQuarry\Interchange\MarkerGuidance;
use WideQuarry\Interchange\Qti30\Xml;

/** Feedback by when it is shown: for one option, for what is right, wrong or partly right, or always. Hints and solutions as such. */
final readonly class FeedbackReader
{
    /** What our own writer calls a solution that is said to learners. */
    private const GENERAL = 'F-general';

    /**
     * @param  list<Response>  $responses
     * @param  \Closure(\DOMElement): string  $html
     */
    public function __construct(
        private \DOMElement $item,
        private KeySearch $translation,
        private array $responses,
        private \Closure $html,
    ) {
    }

    /** @return bool whether some of it has no place in the question */
    public function place(\stdClass $question, bool $isKeyed): bool
    {
        $left = false;
        foreach (Xml::children($this->item, 'itemfeedback') as $feedback) {
            $solution = $feedback->getElementsByTagName('solution')->item(0);
            $hint = $feedback->getElementsByTagName('hint')->item(0);
            $said = ($this->html)($solution ?? ($hint ?? $feedback));
            $said = $said !== '' ? $said : $this->deep($solution ?? $hint);
            if ($said === '') {
                continue;
            }
            if ($hint !== null && $solution === null) {
                $hints = is_array($question->hints ?? null) ? $question->hints : [];
                $question->hints = [...$hints, (object) ['id' => 'h'.(count($hints) + 1), 'html' => $said, 'cost' => '0']];
            } elseif ($solution !== null) {
                self::solution($question, $feedback->getAttribute('ident'), $said);
            } else {
                $left =
                    ! (new FeedbackPlaces($this->translation, $this->responses))->place(
                        $question,
                        $feedback->getAttribute('ident'),
                        $said,
                        $isKeyed,
                    ) || $left;
            }
        }

        return $left;
    }

    /** A model answer where a person marks; otherwise what learners are told afterwards. */
    private static function solution(\stdClass $question, string $ident, string $said): void
    {
        if ($ident === self::GENERAL || ! MarkerGuidance::models($question, [$said])) {
            FeedbackPlaces::set($question, 'general', $said, 'after');
        }
    }

    private function deep(?\DOMElement $element): string
    {
        $html = '';
        foreach ($element === null ? [] : Xml::children($element) as $child) {
            $html .= ($this->html)($child);
        }

        return $html;
    }
}
