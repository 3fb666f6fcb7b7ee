<?php

declare(strict_types=1);

namespace WideQuarry\Media;

use WideQuarry\Messages\Message;

/** What a drawing comes to once every <use> is followed: some lines of text can ask a browser for a billion shapes. */
final class SvgRepeats
{
    /** @var array<string, \DOMElement> */
    private array $named = [];

    /** @var array<string, int> what an identifier stands for, in elements */
    private array $counts = [];

    /** @throws UnusableMedium */
    public static function allow(\DOMElement $root): void
    {
        $repeats = new self;
        $repeats->name($root);
        if ($repeats->count($root) > MediaLimits::DRAWN) {
            throw new UnusableMedium('media.svg', Message::of('media.svg-repeats', ['most' => MediaLimits::DRAWN]));
        }
    }

    private function name(\DOMElement $element): void
    {
        if ($element->getAttribute('id') !== '') {
            $this->named[$element->getAttribute('id')] ??= $element;
        }
        for ($child = $element->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            $this->name($child);
        }
    }

    private function count(\DOMElement $element): int
    {
        $count = 1;
        if ($element->localName === 'use' || $element->localName === 'pattern') {
            $count += $this->of(substr($element->getAttribute('href'), 1));
        }
        for ($child = $element->firstElementChild; $child !== null; $child = $child->nextElementSibling) {
            $count = min(MediaLimits::DRAWN + 1, $count + $this->count($child));
        }

        return $count;
    }

    private function of(string $id): int
    {
        if (isset($this->counts[$id])) {
            return $this->counts[$id];
        }
        $this->counts[$id] = 0; // a reference to itself is not drawn (SVG 2, 5.5)

        return $this->counts[$id] = isset($this->named[$id]) ? $this->count($this->named[$id]) : 0;
    }
}
