<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Content\Reader;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Patterns\XsdPatternReader;
use WideQuarry\Messages\Message;

/**
 * An item made ready to be read: HTML that somebody escaped is HTML again, feedback inside the text becomes feedback beside it, notes
 * for markers and what has no meaning on its own are taken out. Everything that is changed is said.
 */
final class ItemNormaliser
{
    private const ESCAPED = '~<(p|b|i|em|strong|u|sub|sup|span|ul|ol|li|table)\b[^>]*>.*</\1>|<br\s*/?>~is';

    /** @var list<Notice> */
    public array $notices = [];

    /** @var array<string, bool> responses with two choices of one identifier */
    public array $ambiguous = [];

    /** @var list<\DOMElement> what is said to whoever marks, taken out of the text */
    public array $forMarkers = [];

    public function __construct(private readonly string $file, private readonly string $question)
    {
    }

    public function of(\DOMElement $item): void
    {
        $body = Xml::child($item, 'qti-item-body');
        if ($body === null) {
            return;
        }
        $this->patterns($item);
        $this->unescape($body);
        $this->feedback($item, $body);
        $this->identifiers($body);
        foreach (Xml::all($body) as $element) {
            match ($element->localName) {
                'qti-rubric-block' => $this->rubric($element),
                'qti-media-interaction' => $this->unwrap($element),
                'qti-end-attempt-interaction' => $this->left(
                    $element,
                    'qti.hint_button',
                    Message::of('interchange.qti30.button-item-hint-end'),
                ),
                'qti-info-control' => $this->unwrap($element),
                'qti-graphic-associate-interaction' => $this->namePlaces($element),
                default => null,
            };
        }
    }

    /** Places of a picture that are joined in pairs are read as their names, below the picture. */
    private function namePlaces(\DOMElement $interaction): void
    {
        $document = $interaction->ownerDocument ?? new \DOMDocument;
        $words = $document->createElement('qti-associate-interaction');
        foreach (iterator_to_array($interaction->attributes ?? new \ArrayIterator, false) as $attribute) {
            $words->setAttribute($attribute->nodeName, (string) $attribute->nodeValue);
        }
        $number = 0;
        foreach (Xml::children($interaction) as $child) {
            if ($child->localName !== 'qti-associable-hotspot') {
                $words->appendChild($child);

                continue;
            }
            $number++;
            $choice = $document->createElement('qti-simple-associable-choice');
            foreach (['identifier', 'match-max'] as $attribute) {
                $choice->setAttribute($attribute, $child->getAttribute($attribute));
            }
            $label = trim($child->getAttribute('hotspot-label'));
            $paragraph = $document->createElement('p');
            $paragraph->textContent = $label === '' ? Message::of('interchange.qti30.place-number', ['number' => $number]) : $label;
            $choice->appendChild($paragraph);
            $words->appendChild($choice);
        }
        $interaction->parentNode?->replaceChild($words, $interaction);
        $this->notices[] = Notice::loss(
            'qti.graphic_associate',
            Message::of('interchange.qti30.places-joined-by-names'),
            $this->file,
            $interaction->getLineNo(),
            $this->question,
        );
    }

    /** The standard's expressions are anchored without saying so; those of other languages are often written into it. */
    private function patterns(\DOMElement $item): void
    {
        foreach (Xml::all($item, 'qti-pattern-match') as $test) {
            $pattern = $test->getAttribute('pattern');
            $meant = (string) preg_replace(
                ['/^\^/', '/(?<!\\\\)\$$/', '/\(\?:/', '/(?<=[*+?}])(?<!\\\\[*+?}])\?/'],
                ['', '', '(', ''],
                $pattern,
            );
            if (
                $meant !== $pattern &&
                (XsdPatternReader::pattern($pattern) === null || (str_starts_with($pattern, '^') && str_ends_with($pattern, '$')))
            ) {
                $test->setAttribute('pattern', $meant);
                $this->notices[] = Notice::note(
                    'qti.pattern_meant',
                    Message::of('interchange.qti30.pattern-written-standard-does-not-write', [
                        'pattern' => mb_strimwidth($pattern, 0, 120, '…'),
                        'meant' => mb_strimwidth($meant, 0, 120, '…'),
                    ]),
                    $this->file,
                    $test->getLineNo(),
                    $this->question,
                );
            }
        }
    }

    /** Renames the second of two choices with one identifier, so that both can be shown; which one the key means is unknown. */
    private function identifiers(\DOMElement $body): void
    {
        foreach (Xml::all($body) as $interaction) {
            if (! str_ends_with((string) $interaction->localName, '-interaction')) {
                continue;
            }
            $met = [];
            foreach (Xml::all($interaction) as $choice) {
                $id = $choice->getAttribute('identifier');
                if (
                    $id === '' ||
                    preg_match('/^qti-.*(?:choice|gap|hotspot|hottext|gap-text|gap-img)$/', (string) $choice->localName) !== 1
                ) {
                    continue;
                }
                for ($other = $id, $n = 2; isset($met["=$other"]); $n++) {
                    $other = "$id-$n";
                }
                $met["=$other"] = true;
                if ($other !== $id) {
                    $choice->setAttribute('identifier', $other);
                    $this->ambiguous[$interaction->getAttribute('response-identifier')] = true;
                    $this->notices[] = Notice::loss(
                        'qti.same_identifier',
                        Message::of('interchange.qti30.two-choices-called-second', ['id' => $id, 'other' => $other]),
                        $this->file,
                        $choice->getLineNo(),
                        $this->question,
                    );
                }
            }
        }
    }

    /** Words in which tags stand with their closing ones, outside of code, are HTML that was escaped. */
    private function unescape(\DOMElement $body): void
    {
        if (! str_contains($body->textContent, '</') && ! str_contains($body->textContent, '<br')) {
            return;
        }
        $texts = (new \DOMXPath($body->ownerDocument ?? new \DOMDocument))->query(
            './/text()[not(ancestor::*[local-name() = "code" or local-name() = "pre" or local-name() = "math"])]',
            $body,
        );
        $met = false;
        foreach ($texts === false ? [] : iterator_to_array($texts, false) as $text) {
            if ($text instanceof \DOMText && preg_match(self::ESCAPED, $text->textContent) === 1 && $text->parentNode !== null) {
                $fragment = ($body->ownerDocument ?? new \DOMDocument)->createDocumentFragment();
                $html = Reader::read($text->textContent)->html();
                $loaded = $html !== '' && @$fragment->appendXML($html);
                if ($loaded) {
                    $text->parentNode->replaceChild($fragment, $text);
                    $met = true;
                }
            }
        }
        if ($met) {
            $this->notices[] = Notice::note(
                'content.escaped',
                Message::of('interchange.qti30.html-escaped-text-read'),
                $this->file,
                $body->getLineNo(),
                $this->question,
            );
        }
    }

    /** Feedback in the text is shown by the same outcomes as modal feedback, so it is read as such. */
    private function feedback(\DOMElement $item, \DOMElement $body): void
    {
        foreach (['qti-feedback-inline', 'qti-feedback-block'] as $name) {
            foreach (Xml::all($body, $name) as $element) {
                $document = $item->ownerDocument ?? new \DOMDocument;
                $modal = $document->createElement('qti-modal-feedback');
                foreach (['outcome-identifier', 'identifier', 'show-hide'] as $attribute) {
                    $modal->setAttribute($attribute, $element->getAttribute($attribute));
                }
                while ($element->firstChild !== null) {
                    $modal->appendChild($element->firstChild);
                }
                $element->parentNode?->removeChild($element);
                $item->appendChild($modal);
            }
        }
    }

    private function rubric(\DOMElement $rubric): void
    {
        $views = preg_split('/\s+/', trim($rubric->getAttribute('view'))) ?: [];
        if (in_array('candidate', $views, true) || $views === ['']) {
            $this->unwrap($rubric);

            return;
        }
        $rubric->parentNode?->removeChild($rubric);
        $this->forMarkers[] = $rubric;
    }

    private function unwrap(\DOMElement $element): void
    {
        while ($element->firstChild !== null) {
            $element->parentNode?->insertBefore($element->firstChild, $element);
        }
        $element->parentNode?->removeChild($element);
    }

    private function left(\DOMElement $element, string $code, string $sentence): void
    {
        $this->notices[] = Notice::loss($code, $sentence, $this->file, $element->getLineNo(), $this->question);
        $element->parentNode?->removeChild($element);
    }
}
