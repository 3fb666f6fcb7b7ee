<?php

declare(strict_types=1);

namespace WideQuarry\Content;

use WideQuarry\Messages\Message;

/**
 * Builds a clean tree from a DOM tree that may hold anything. Nothing is copied that the allow-list does not name.
 * Flow is a run of blocks; phrases are what stands inside a line. A block inside a line ends that line.
 */
final class Cleaner
{
    private const DEPTH = 60;

    /** @var array<string, int> */
    private array $dropped = [];

    private int $depth = 0;

    /** @return list<DroppedContent> */
    public function dropped(): array
    {
        $list = [];
        foreach ($this->dropped as $key => $times) {
            [$what, $name] = explode(' ', $key, 2);
            $list[] = new DroppedContent($what, $name, $times);
        }

        return $list;
    }

    public function drop(string $what, string $name): void
    {
        $key = $what.' '.mb_strimwidth((string) preg_replace('/[\p{C}]+/u', '', $name), 0, 60);
        $this->dropped[$key] = ($this->dropped[$key] ?? 0) + 1;
    }

    /** @return list<Element|string> */
    public function fragmentOfText(string $text): array
    {
        return ParagraphLines::paragraphs([$text], true);
    }

    /** @return list<Element|string> blocks, or one run of phrases when there is no block at all */
    public function fragment(\DOMNode $root): array
    {
        return ParagraphLines::paragraphs($this->mixed($root), true);
    }

    /**
     * Blocks and phrases as they come, in order.
     *
     * @return list<Element|string>
     */
    private function mixed(\DOMNode $parent): array
    {
        if ($this->depth >= self::DEPTH) {
            $this->drop('depth', Message::of('content.text-nested-too-deep'));

            return [$parent->textContent];
        }
        $this->depth++;
        $nodes = [];
        foreach ($parent->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $nodes[] = $child->data;
            } elseif ($child instanceof \DOMElement) {
                array_push($nodes, ...$this->element($child));
            }
        }
        $this->depth--;

        return $nodes;
    }

    /** @return list<Element|string> */
    private function element(\DOMElement $source): array
    {
        $name = strtolower($source->localName ?? $source->nodeName);
        $name = AllowList::SAME[$name] ?? $name;
        if (in_array($name, AllowList::REMOVED_WHOLE, true)) {
            $this->drop('content', $name);

            return [];
        }

        return match (true) {
            $name === 'math' => (new MathsCleaner($this))->formula($source),
            $name === 'ul', $name === 'ol' => $this->list($source, $name),
            $name === 'table' => (new TableCleaner($this, $this->mixed(...)))->table($source),
            $name === 'figure' => (new FigureCleaner($this, $this->mixed(...)))->figure($source),
            $name === 'hr' => [new Element('hr')],
            $name === 'pre' => [new Element('pre', $this->attributes($source, $name), ParagraphLines::kept($this->mixed($source)))],
            isset(AllowList::PHRASE[$name]) => $this->phrase($source, $name),
            $name === 'div' && $source->hasAttribute('data-part') => $this->anchor($source, $name),
            isset(AllowList::BLOCK[$name]) && $name !== 'div' => $this->block($source, $name),
            default => $this->unwrapped($source, $name),
        };
    }

    /** @return list<Element|string> */
    private function block(\DOMElement $source, string $name): array
    {
        $children = $this->mixed($source);
        $attributes = $this->attributes($source, $name);
        if ($name === 'blockquote') {
            return [new Element($name, $attributes, ParagraphLines::paragraphs($children, false))];
        }

        return ParagraphLines::split($children, fn (array $line): Element => new Element($name, $attributes, $line));
    }

    /** @return list<Element|string> */
    private function phrase(\DOMElement $source, string $name): array
    {
        $attributes = $this->attributes($source, $name);
        if (in_array($name, AllowList::VOID, true)) {
            return $name === 'img' && ! isset($attributes['data-media'])
                ? $this->lost('picture', 'img')
                : [new Element($name, $attributes)];
        }
        if ($name === 'span' && ($attributes === [] || isset($attributes['data-part']) || isset($attributes['data-gap']))) {
            return $attributes === [] ? $this->mixed($source) : $this->anchor($source, $name);
        }
        if ($name === 'var') {
            return isset($attributes['data-value']) ? $this->anchor($source, $name) : [new Element('em', [], $this->mixed($source))];
        }
        if ($name === 'audio' || $name === 'video') {
            return isset($attributes['data-media']) ? [new Element($name, $attributes)] : $this->lost('content', $name);
        }
        if ($name === 'a' && ! isset($attributes['href'])) {
            return $this->mixed($source);
        }

        return ParagraphLines::split($this->mixed($source), fn (array $line): Element => new Element($name, $attributes, $line));
    }

    /**
     * An anchor is empty; what stood inside comes after it, so that nothing is lost.
     *
     * @return list<Element|string>
     */
    private function anchor(\DOMElement $source, string $name): array
    {
        return [new Element($name, $this->attributes($source, $name)), ...$this->mixed($source)];
    }

    /** @return list<Element|string> */
    private function list(\DOMElement $source, string $name): array
    {
        $items = [];
        foreach ($source->childNodes as $child) {
            $isItem = $child instanceof \DOMElement && strtolower($child->localName ?? '') === 'li';
            if ($isItem || trim($child->textContent) !== '' || $child instanceof \DOMElement) {
                $nodes = $isItem
                    ? $this->mixed($child)
                    : ($child instanceof \DOMElement
                        ? $this->element($child)
                        : [$child->textContent]);
                $items[] = new Element('li', $isItem ? $this->attributes($child, 'li') : [], ParagraphLines::paragraphs($nodes, true));
            }
        }

        return $items === [] ? [] : [new Element($name, $this->attributes($source, $name), $items)];
    }

    /** @return list<Element|string> */
    private function unwrapped(\DOMElement $source, string $name): array
    {
        if (! in_array($name, AllowList::WRAPPERS, true) && ! isset(AllowList::INNER[$name])) {
            $this->drop('element', $name);
        }
        $this->attributes($source, $name);
        $inline =
            in_array($name, ['font', 'wbr'], true) || (! in_array($name, AllowList::WRAPPERS, true) && ! isset(AllowList::INNER[$name]));

        return $inline ? $this->mixed($source) : [ParagraphLines::BREAK, ...$this->mixed($source), ParagraphLines::BREAK];
    }

    /** @return list<Element|string> */
    private function lost(string $what, string $name): array
    {
        $this->drop($what, $name);

        return [];
    }

    /** @return array<string, string> sorted by name */
    public function attributes(\DOMElement $source, string $name): array
    {
        if (! $source->hasAttributes()) {
            return [];
        }
        $allowed = AllowList::BLOCK[$name] ?? (AllowList::PHRASE[$name] ?? (AllowList::INNER[$name] ?? []));
        $kept = [];
        foreach ($source->attributes as $attribute) {
            $key = strtolower($attribute->nodeName);
            $key = $key === 'xml:lang' ? 'lang' : $key;
            $value =
                in_array($key, $allowed, true) || in_array($key, ['lang', 'dir'], true)
                    ? Attributes::clean($key, $attribute->value)
                    : null;
            if ($value !== null) {
                $kept[$key] = $value;
            } elseif (! in_array($key, ['class', 'id'], true) && ! str_starts_with($key, 'xmlns')) {
                if ($key === 'href') {
                    $this->drop('address', $attribute->value);
                } else {
                    $this->drop('attribute', $key);
                }
            }
        }
        ksort($kept);

        return $kept;
    }
}
