<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Keys\CorrectnessWording;
use WideQuarry\Messages\Message;

/**
 * An item that does not say how it is marked, made to say what its right answers, its feedback or its metadata say; and what was assumed.
 */
final readonly class AssumedKey
{
    private function __construct(private \DOMElement $item)
    {
    }

    /**
     * @param  array<string, string>  $fields  of the metadata
     * @return string|null what was assumed; null when nothing had to be
     */
    public static function of(\DOMElement $item, array $fields): ?string
    {
        $self = new self($item);
        $processing = Xml::child($item, 'qti-response-processing');
        if ($item->getAttribute('adaptive') === 'true') {
            return null;
        }
        if ($processing === null || ($processing->getAttribute('template') === '' && Xml::children($processing) === [])) {
            $processing ??= $self->make($item, 'qti-response-processing');

            return $self->answers($processing) ?? $self->metadata($processing, $fields);
        }

        return $processing->getAttribute('template') !== '' || $self->scores($processing) ? null : $self->feedback($processing);
    }

    /** Right answers and mappings that nothing uses. */
    private function answers(\DOMElement $processing): ?string
    {
        $used = 0;
        foreach (Xml::children($this->item, 'qti-response-declaration') as $declaration) {
            $id = $declaration->getAttribute('identifier');
            if (Xml::child($declaration, 'qti-mapping') !== null) {
                $this->add($processing, fn (\DOMElement $sum): \DOMElement => $this->make($sum, 'qti-map-response', $id));
                $used++;
            } elseif (Xml::child($declaration, 'qti-correct-response') !== null) {
                $match = $this->make($this->branch($processing), 'qti-match');
                $this->make($match, 'qti-variable', $id);
                $this->make($match, 'qti-correct', $id);
                assert($match->parentNode instanceof \DOMElement);
                $this->add($match->parentNode, fn (\DOMElement $sum): \DOMElement => $this->base($sum, 'float', '1'));
                $used++;
            }
        }

        return $used === 0 ? null : Message::of('interchange.qti30.nothing-says-how-item');
    }

    /** @param  array<string, string>  $fields */
    private function metadata(\DOMElement $processing, array $fields): ?string
    {
        $declarations = Xml::children($this->item, 'qti-response-declaration');
        $entry = CorrectnessWording::field($fields);
        if (count($declarations) !== 1 || $entry === null) {
            return null;
        }
        $options = [];
        foreach (Xml::all($this->item) as $choice) {
            if (in_array($choice->localName, ['qti-simple-choice', 'qti-inline-choice'], true)) {
                $options[$choice->getAttribute('identifier')] = $choice->textContent;
            }
        }
        $values = $options === [] ? [$entry] : CorrectnessWording::options($entry, $options);
        if ($values === [] || (count($values) > 1 && $declarations[0]->getAttribute('cardinality') === 'single')) {
            return null;
        }
        $correct = $this->make($declarations[0], 'qti-correct-response');
        array_map(fn (string $value): string => ($this->make($correct, 'qti-value')->textContent = $value), $values);
        $this->answers($processing);

        return Message::of('interchange.qti30.nothing-item-says-how');
    }

    /** @return list<string> identifiers of the feedback that says that an answer is right */
    private function rightFeedback(): array
    {
        $right = [];
        foreach (Xml::children($this->item, 'qti-modal-feedback') as $modal) {
            $id = $modal->getAttribute('identifier');
            if (CorrectnessWording::name($id) || CorrectnessWording::text($modal->textContent)) {
                $right[] = $id;
            }
        }

        return $right;
    }

    /** What says that an answer is right makes it right. */
    private function feedback(\DOMElement $processing): ?string
    {
        $right = $this->rightFeedback();
        $found = false;
        foreach ($right === [] ? [] : Xml::all($processing) as $set) {
            $value = $set->localName === 'qti-set-outcome-value' ? Xml::children($set)[0] ?? null : null;
            $parent = $set->parentNode;
            if (
                $value?->localName === 'qti-base-value' &&
                in_array(trim($value->textContent), $right, true) &&
                $parent instanceof \DOMElement &&
                $parent !== $processing
            ) {
                $this->base($this->score($parent), 'float', '1');
                $found = true;
            } elseif ($value?->localName === 'qti-variable' && $this->isSingle($value->getAttribute('identifier'))) {
                foreach ($right as $option) {
                    $match = $this->make($branch = $this->branch($processing), 'qti-match');
                    $this->make($match, 'qti-variable', $value->getAttribute('identifier'));
                    $this->base($match, 'identifier', $option);
                    $this->base($this->score($branch), 'float', '1');
                    $found = true;
                }
            }
        }

        return $found ? Message::of('interchange.qti30.nothing-item-says-how-marked') : null;
    }

    private function isSingle(string $response): bool
    {
        foreach (Xml::children($this->item, 'qti-response-declaration') as $declaration) {
            if ($declaration->getAttribute('identifier') === $response) {
                return $declaration->getAttribute('cardinality') === 'single' &&
                    Xml::attribute($declaration, 'base-type') === 'identifier';
            }
        }

        return false;
    }

    /** Whether it sets a number anywhere. */
    private function scores(\DOMElement $processing): bool
    {
        $numbers = ['SCORE'];
        foreach (Xml::children($this->item, 'qti-outcome-declaration') as $outcome) {
            if (in_array($outcome->getAttribute('base-type'), ['float', 'integer'], true)) {
                $numbers[] = $outcome->getAttribute('identifier');
            }
        }
        foreach (Xml::all($processing) as $rule) {
            if (
                in_array($rule->localName, ['qti-set-outcome-value', 'qti-lookup-outcome-value'], true) &&
                in_array($rule->getAttribute('identifier'), $numbers, true)
            ) {
                return true;
            }
        }

        return false;
    }

    private function branch(\DOMElement $processing): \DOMElement
    {
        return $this->make($this->make($processing, 'qti-response-condition'), 'qti-response-if');
    }

    private function score(\DOMElement $parent): \DOMElement
    {
        return $this->make($parent, 'qti-set-outcome-value', 'SCORE');
    }

    /** @param  \Closure(\DOMElement): \DOMElement  $more */
    private function add(\DOMElement $parent, \Closure $more): void
    {
        $sum = $this->make($this->score($parent), 'qti-sum');
        $this->make($sum, 'qti-variable', 'SCORE');
        $more($sum);
    }

    private function base(\DOMElement $parent, string $type, string $value): \DOMElement
    {
        $base = $this->make($parent, 'qti-base-value');
        $base->setAttribute('base-type', $type);
        $base->textContent = $value;

        return $base;
    }

    private function make(\DOMElement $parent, string $name, string $identifier = ''): \DOMElement
    {
        $made = ($this->item->ownerDocument ?? new \DOMDocument)->createElementNS((string) $this->item->namespaceURI, $name);
        if ($identifier !== '') {
            $made->setAttribute('identifier', $identifier);
        }
        $parent->appendChild($made);

        return $made;
    }
}
