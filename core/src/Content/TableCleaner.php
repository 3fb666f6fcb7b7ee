<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** Tables in one shape: caption, head and bodies, rows, cells. */
final readonly class TableCleaner
{
    /** @param  \Closure(\DOMNode): list<Element|string>  $mixed what stands inside a cell */
    public function __construct(private Cleaner $cleaner, private \Closure $mixed)
    {
    }

    /** @return list<Element|string> the table; before it whatever stood between its parts */
    public function table(\DOMElement $source): array
    {
        $captions = [];
        $groups = [];
        $loose = [];
        foreach ($source->childNodes as $child) {
            $name = $child instanceof \DOMElement ? strtolower($child->localName ?? '') : '';
            if ($child instanceof \DOMElement && $name === 'caption') {
                $captions[] = new Element(
                    'caption',
                    $this->cleaner->attributes($child, 'caption'),
                    ParagraphLines::paragraphs(($this->mixed)($child), true),
                );
            } elseif ($child instanceof \DOMElement && in_array($name, ['thead', 'tbody', 'tfoot'], true)) {
                $groups[] = [$name === 'thead' ? 'thead' : 'tbody', $this->rows($child)];
            } elseif ($child instanceof \DOMElement && $name === 'tr') {
                $last = count($groups) - 1;
                $row = $this->row($child);
                if ($last >= 0 && $groups[$last][0] === 'tbody') {
                    $groups[$last][1][] = $row;
                } else {
                    $groups[] = ['tbody', [$row]];
                }
            } elseif (trim($child->textContent) !== '' && ! in_array($name, ['colgroup', 'col'], true)) {
                array_push($loose, ...$child instanceof \DOMElement ? ($this->mixed)($child) : [$child->textContent]);
            }
        }
        $parts = array_map(
            fn (array $group): Element => new Element($group[0], [], $group[1]),
            array_values(array_filter($groups, fn (array $group): bool => $group[1] !== [])),
        );
        $before = ParagraphLines::paragraphs($loose, false);

        return $parts === []
            ? $before
            : [
                ...$before,
                new Element('table', $this->cleaner->attributes($source, 'table'), [...array_slice($captions, 0, 1), ...$parts]),
            ];
    }

    /** @return list<Element> */
    private function rows(\DOMElement $group): array
    {
        $rows = [];
        foreach ($group->childNodes as $child) {
            if ($child instanceof \DOMElement && strtolower($child->localName ?? '') === 'tr') {
                $rows[] = $this->row($child);
            } elseif (trim($child->textContent) !== '') {
                $rows[] = new Element('tr', [], [new Element('td', [], [trim($child->textContent)])]);
            }
        }

        return $rows;
    }

    private function row(\DOMElement $source): Element
    {
        $cells = [];
        foreach ($source->childNodes as $child) {
            $name = $child instanceof \DOMElement ? strtolower($child->localName ?? '') : '';
            if ($child instanceof \DOMElement && ($name === 'td' || $name === 'th')) {
                $cells[] = new Element(
                    $name,
                    $this->cleaner->attributes($child, $name),
                    ParagraphLines::paragraphs(($this->mixed)($child), true),
                );
            } elseif (trim($child->textContent) !== '') {
                $cells[] = new Element('td', [], [trim($child->textContent)]);
            }
        }

        return new Element('tr', [], $cells);
    }
}
