<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\OpenDocument;

use WideQuarry\Interchange\Typed\Sources\Passed;

/** Lists of an ODT as paragraphs that begin with their number (ISO/IEC 26300-1, 5.3 and 19.880). */
final class OdfLists
{
    /** @var array<string, array<int, int>> list or its style → level → the number it has reached */
    private array $reached = [];

    /** @var array<string, string> id of a list → its style */
    private array $styleOf = [];

    public function __construct(private readonly OdfStyles $styles)
    {
    }

    public function flatten(\DOMElement $root): void
    {
        foreach (OdfXml::all($root, OdfXml::TEXT, 'list') as $list) {
            if ($list->parentNode !== null && ! OdfXml::is($list->parentNode, OdfXml::TEXT, 'list-item')) {
                $this->list($list, 0, $list->getAttributeNS(OdfXml::TEXT, 'style-name'));
            }
        }
        foreach (array_reverse(
            [...OdfXml::all($root, OdfXml::TEXT, 'list-item'), ...OdfXml::all($root, OdfXml::TEXT, 'list-header')],
        ) as $item) {
            OdfXml::unwrap($item);
        }
        foreach (array_reverse(OdfXml::all($root, OdfXml::TEXT, 'list')) as $list) {
            OdfXml::unwrap($list);
        }
    }

    private function list(\DOMElement $list, int $level, string $style): void
    {
        $style = $list->getAttributeNS(OdfXml::TEXT, 'style-name') ?: $style;
        $continues = $list->getAttributeNS(OdfXml::TEXT, 'continue-list');
        $style = $style ?: ($this->styleOf[$continues] ?? '');
        $goesOn = $list->getAttributeNS(OdfXml::TEXT, 'continue-numbering') === 'true' || $continues !== '';
        if ($level === 0 && ! $goesOn) {
            unset($this->reached[$style]);
        }
        $id = $list->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'id');
        $this->styleOf[$id] = $style;
        foreach ($list->childNodes as $item) {
            if ($item instanceof \DOMElement) {
                $this->item($item, $level, $style, OdfXml::is($item, OdfXml::TEXT, 'list-item'));
            }
        }
    }

    private function item(\DOMElement $item, int $level, string $style, bool $isNumbered): void
    {
        $isFirst = true;
        foreach (iterator_to_array($item->childNodes) as $child) {
            if (OdfXml::is($child, OdfXml::TEXT, 'list')) {
                assert($child instanceof \DOMElement);
                $this->list($child, $level + 1, $style);
            } elseif ($child instanceof \DOMElement && in_array($child->localName, ['p', 'h'], true)) {
                $own = $style ?: $this->styles->listOf($child->getAttributeNS(OdfXml::TEXT, 'style-name'));
                $label = $isFirst && $isNumbered ? $this->next($item, $own, $level) : '';
                OdfXml::before($child, Passed::marked("level:$level", '').($label === '' ? '' : Passed::marked('auto', $label)));
                $isFirst = false;
            }
        }
    }

    private function next(\DOMElement $item, string $style, int $level): string
    {
        $this->reached[$style] = array_filter(
            $this->reached[$style] ?? [],
            fn (int $deep): bool => $deep <= $level,
            ARRAY_FILTER_USE_KEY,
        );
        $start = $item->getAttributeNS(OdfXml::TEXT, 'start-value');
        $reached = $this->reached[$style][$level] ?? null;
        $this->reached[$style][$level] = match (true) {
            $start !== '' => (int) $start,
            $reached !== null => $reached + 1,
            default => $this->styles->start($style, $level),
        };

        return $this->styles->label($style, $level, $this->reached[$style]);
    }
}
