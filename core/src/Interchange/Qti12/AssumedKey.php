<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Keys\CorrectnessWording;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;

/**
 * An item that gives no points, made to give one for what its conditions, its feedback or its metadata call right; and what was assumed.
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
        $conditions = Xml::all($item);
        if (
            array_filter(
                $conditions,
                fn (\DOMElement $one): bool => in_array($one->localName, ['setvar', 'itemproc_extension', 'respcond_extension'], true),
            ) !== []
        ) {
            return null;
        }
        $conditions = array_values(array_filter($conditions, fn (\DOMElement $one): bool => $one->localName === 'respcondition'));

        return $conditions === [] ? $self->metadata($fields) : $self->feedback($conditions);
    }

    /** @param  list<\DOMElement>  $conditions */
    private function feedback(array $conditions): ?string
    {
        $texts = [];
        foreach (Xml::children($this->item, 'itemfeedback') as $feedback) {
            $texts[$feedback->getAttribute('ident')] = $feedback->textContent;
        }
        $found = false;
        foreach ($conditions as $condition) {
            $shown = array_map(
                fn (\DOMElement $one): string => $one->getAttribute('linkrefid'),
                Xml::children($condition, 'displayfeedback'),
            );
            $right =
                CorrectnessWording::name($condition->getAttribute('title')) ||
                array_filter(
                    $shown,
                    fn (string $id): bool => CorrectnessWording::name($id) || CorrectnessWording::text($texts[$id] ?? ''),
                ) !== [];
            $asks = Xml::child($condition, 'conditionvar');
            if ($right && $asks !== null) {
                $this->make($condition, 'setvar', ['action' => 'Set'])->textContent = '1';
                $found = true;
            }
        }

        return $found
            ? Message::of('interchange.qti12.nothing-question-says-how')
            : null;
    }

    /** @return array<string, string> identifier → words */
    private static function options(\DOMElement $response): array
    {
        $options = [];
        foreach (Xml::all($response) as $label) {
            if ($label->localName === 'response_label') {
                $options[$label->getAttribute('ident')] = $label->textContent;
            }
        }

        return $options;
    }

    /** @param  array<string, string>  $fields */
    private function metadata(array $fields): ?string
    {
        $responses = array_values(
            array_filter(
                Xml::all($this->item),
                fn (\DOMElement $one): bool => in_array($one->localName, ['response_lid', 'response_str', 'response_num'], true),
            ),
        );
        $entry = CorrectnessWording::field($fields);
        if (count($responses) !== 1 || $entry === null) {
            return null;
        }
        $options = self::options($responses[0]);
        $right =
            $options === []
                ? preg_split('/\s*\|\s*/', $entry, -1, PREG_SPLIT_NO_EMPTY) ?: []
                : CorrectnessWording::options($entry, $options);
        $several = $responses[0]->getAttribute('rcardinality') === 'Multiple';
        if ($right === [] || ($options !== [] && count($right) > 1 && ! $several)) {
            return null;
        }
        $condition = $this->make($this->make($this->item, 'resprocessing'), 'respcondition');
        $asks = $this->make($this->make($condition, 'conditionvar'), $options === [] ? 'or' : 'and');
        foreach ($options === [] ? $right : array_map(strval(...), array_keys($options)) as $value) {
            $isRight = in_array($value, $right, true);
            if ($isRight || $several) {
                $asked = ['respident' => $responses[0]->getAttribute('ident')];
                $this->make($isRight ? $asks : $this->make($asks, 'not'), 'varequal', $asked)->textContent = $value;
            }
        }
        $this->make($condition, 'setvar', ['action' => 'Set'])->textContent = '1';

        return Message::of('interchange.qti12.nothing-question-says-how-marked');
    }

    /** @param  array<string, string>  $attributes */
    private function make(\DOMElement $parent, string $name, array $attributes = []): \DOMElement
    {
        $made = ($this->item->ownerDocument ?? new \DOMDocument)->createElementNS((string) $this->item->namespaceURI, $name);
        foreach ($attributes as $attribute => $value) {
            $made->setAttribute($attribute, $value);
        }
        $parent->appendChild($made);

        return $made;
    }
}
