<?php

declare(strict_types=1);

namespace WideQuarry\Content;

/** One picture or recording with its caption. A figure of anything else (HTML, 4.4.12) comes apart into what is in it. */
final readonly class FigureCleaner
{
    private const MEDIA = ['img', 'audio', 'video'];

    /** @param  \Closure(\DOMNode): list<Element|string>  $mixed what stands inside an element */
    public function __construct(private Cleaner $cleaner, private \Closure $mixed)
    {
    }

    /** @return list<Element|string> */
    public function figure(\DOMElement $source): array
    {
        $attributes = $this->cleaner->attributes($source, 'figure');
        $captions = [];
        $body = $source->ownerDocument?->createElement('div') ?? new \DOMElement('div');
        foreach (iterator_to_array($source->childNodes, false) as $child) {
            if ($child instanceof \DOMElement && strtolower($child->localName ?? '') === 'figcaption') {
                $captions[] = $child;
            } else {
                $body->appendChild($child->cloneNode(true));
            }
        }
        $shown = ($this->mixed)($body);
        $medium = self::only($shown);
        $caption = array_merge(...array_map(fn (\DOMElement $one): array => ($this->mixed)($one), $captions));

        return $medium === null
            ? [ParagraphLines::BREAK, ...$shown, ParagraphLines::BREAK, ...$caption, ParagraphLines::BREAK]
            : [new Element('figure', $attributes, [$medium, ...$this->caption($caption, $captions)])];
    }

    /**
     * @param  list<Element|string>  $words
     * @param  list<\DOMElement>  $sources
     * @return list<Element> the caption in one line, where there is one
     */
    private function caption(array $words, array $sources): array
    {
        $line = [];
        foreach (ParagraphLines::paragraphs($words, false) as $block) {
            if ($block instanceof Element) {
                $words = $block->name === 'p' ? $block->children : [PlainText::of([$block])];
                array_push($line, ...$line === [] ? [] : [new Element('br')], ...$words);
            }
        }

        return $line === [] ? [] : [new Element('figcaption', $this->cleaner->attributes($sources[0], 'figcaption'), $line)];
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return Element|null the only thing there, if that can have a caption
     */
    private static function only(array $nodes): ?Element
    {
        $nodes = array_values(array_filter(
            $nodes,
            fn (Element|string $node): bool => $node instanceof Element || ($node !== ParagraphLines::BREAK && trim($node) !== ''),
        ));
        $only = count($nodes) === 1 && $nodes[0] instanceof Element ? $nodes[0] : null;

        return match (true) {
            $only === null => null,
            in_array($only->name, self::MEDIA, true) => $only,
            $only->name === 'p' => self::only($only->children),
            default => null,
        };
    }
}
