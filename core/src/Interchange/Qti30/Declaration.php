<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** A response declaration of QTI 3.0 (1EdTech QTI 3.0 ASI, qti-response-declaration). */
final readonly class Declaration
{
    /**
     * @param  list<string>  $correct
     * @param  list<array{key: string, value: string, sensitive: bool}>|null  $map  null when there is no mapping
     * @param  list<\DOMElement>|null  $areas  entries of an area mapping, whose default and bounds then are those here
     * @param  string  $initial  what stands there at the beginning
     */
    private function __construct(
        public string $id,
        public string $cardinality,
        public string $baseType,
        public array $correct,
        public ?array $map,
        public string $default,
        public ?string $lower,
        public ?string $upper,
        public ?array $areas = null,
        public string $initial = '',
    ) {
    }

    /**
     * The same with each pair reversed.
     *
     * @param  \Closure(string): string  $turned
     */
    public function withPairs(\Closure $turned): self
    {
        $map =
            $this->map === null ? null : array_map(fn (array $entry): array => [...$entry, 'key' => $turned($entry['key'])], $this->map);

        return new self(
            $this->id,
            $this->cardinality,
            'directedPair',
            array_map($turned, $this->correct),
            $map,
            $this->default,
            $this->lower,
            $this->upper,
        );
    }

    /**
     * The same response asked for as pairs.
     *
     * @param  list<string>  $correct
     */
    public function asPairs(array $correct): self
    {
        return new self($this->id, 'multiple', 'directedPair', $correct, null, '0', null, null);
    }

    public static function read(\DOMElement $element): self
    {
        $correct = [];
        $map = $areas = null;
        $default = '0';
        $initial = '';
        $bounds = [null, null];
        foreach (Xml::children($element) as $child) {
            if ($child->localName === 'qti-correct-response') {
                $correct = array_map(fn (\DOMElement $value): string => trim($value->textContent), Xml::children($child, 'qti-value'));
            } elseif ($child->localName === 'qti-mapping') {
                $map = self::entries($child);
            } elseif ($child->localName === 'qti-default-value') {
                $initial = Xml::child($child, 'qti-value')->textContent ?? '';
            } elseif ($child->localName === 'qti-area-mapping') {
                $areas = Xml::children($child, 'qti-area-map-entry');
            }
            if (in_array($child->localName, ['qti-mapping', 'qti-area-mapping'], true)) {
                $default = Xml::attribute($child, 'default-value') ?? '0';
                $bounds = [Xml::attribute($child, 'lower-bound'), Xml::attribute($child, 'upper-bound')];
            }
        }

        return new self(
            $element->getAttribute('identifier'),
            $element->getAttribute('cardinality'),
            Xml::attribute($element, 'base-type') ?? 'identifier',
            $correct,
            $map,
            $default,
            $bounds[0],
            $bounds[1],
            $areas,
            $initial,
        );
    }

    /** @return list<array{key: string, value: string, sensitive: bool}> */
    private static function entries(\DOMElement $mapping): array
    {
        return array_map(
            fn (\DOMElement $entry): array => [
                'key' => $entry->getAttribute('map-key'),
                'value' => $entry->getAttribute('mapped-value'),
                'sensitive' => $entry->getAttribute('case-sensitive') !== 'false',
            ],
            Xml::children($mapping, 'qti-map-entry'),
        );
    }
}
