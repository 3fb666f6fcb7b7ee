<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Plain;

use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;
use WideQuarry\Interchange\Package\PackedMedia;
use WideQuarry\Question\Question;
use WideQuarry\Variables\Roll;

/** Rich text as it leaves in a format that has no variables: one set of values stands in it, and media by their paths. */
final readonly class ContentExporter
{
    /**
     * @param  array<string, string>  $files  medium → its path in the package
     * @param  string  $before  what stands before every path
     */
    private function __construct(public Roll $roll, private array $files, private string $before)
    {
    }

    /** @param  array<string, string>  $files */
    public static function of(Question $question, array $files, string $before = ''): self
    {
        return new self($question->variables->anyRoll($question->language), $files, $before);
    }

    public function html(string $html): string
    {
        return Serialiser::html($this->nodes(RichText::read($html)->nodes));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    public function nodes(array $nodes): array
    {
        return $this->withMedia($this->roll->filling()->nodes($nodes));
    }

    /**
     * @param  list<Element|string>  $nodes
     * @return list<Element|string>
     */
    private function withMedia(array $nodes): array
    {
        return array_map(fn (Element|string $node): Element|string => match (true) {
            is_string($node) => $node,
            $node->attribute('data-value') !== null => (string) $node->attribute('data-value'), // a name without a value
            $node->attribute('data-media') !== null => PackedMedia::element($node, $this->files, $this->before),
            default => $node->withChildren($this->withMedia($node->children)),
        }, $nodes);
    }
}
