<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Formulas in MathML Core; TeX is kept in an annotation, no other annotation is. */
final readonly class MathsCleaner
{
    public function __construct(private Cleaner $cleaner)
    {
    }

    /** @return list<Element> */
    public function formula(\DOMElement $source, int $depth = 0): array
    {
        $name = strtolower($source->localName ?? '');
        if ($depth > 40 || ! in_array($name, AllowList::MATHS, true) || ($name === 'math' && $depth > 0)) {
            $this->cleaner->drop('content', $name);

            return [];
        }
        if ($name === 'annotation' && $source->getAttribute('encoding') !== 'application/x-tex') {
            $this->cleaner->drop('content', 'annotation');

            return [];
        }

        return [
            new Element(
                $name,
                $this->attributes($source, $name),
                in_array($name, AllowList::MATHS_TEXT, true) ? $this->text($source) : $this->children($source, $depth),
            ),
        ];
    }

    /** @return list<Element> */
    private function children(\DOMElement $source, int $depth): array
    {
        $children = [];
        foreach ($source->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                array_push($children, ...$this->formula($child, $depth + 1));
            }
        }

        return $children;
    }

    /** @return list<string> */
    private function text(\DOMElement $source): array
    {
        foreach ($source->childNodes as $child) {
            if ($child instanceof \DOMElement) {
                $this->cleaner->drop('content', strtolower($child->nodeName));
                $child->textContent = '';
            }
        }
        $text = trim((string) preg_replace('/[ \t\r\n\f]+/', ' ', $source->textContent), ' ');

        return $text === '' ? [] : [$text];
    }

    /** @return array<string, string> */
    private function attributes(\DOMElement $source, string $name): array
    {
        $kept = [];
        foreach ($source->attributes as $attribute) {
            $key = strtolower($attribute->nodeName);
            $value = match (true) {
                $key === 'data-value' && $name === 'mi' => Attributes::clean($key, $attribute->value),
                $key === 'encoding' && $name === 'annotation' => $attribute->value,
                default => Attributes::cleanMaths($key, $attribute->value),
            };
            if ($value !== null) {
                $kept[$key] = $value;
            } elseif (! in_array($key, ['class', 'id'], true) && ! str_starts_with($key, 'xmlns')) {
                $this->cleaner->drop('attribute', $key);
            }
        }
        ksort($kept);

        return $kept;
    }
}
