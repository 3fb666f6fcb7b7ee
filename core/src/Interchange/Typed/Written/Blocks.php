<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Written;

use WideQuarry\Content\Element;
use WideQuarry\Content\Serialiser;
use WideQuarry\Interchange\Keys\AnswerShape;
use WideQuarry\Interchange\Plain\PlainPart;

/** The text of a question as paragraphs for a document, with the places of its parts: what is chosen in a line stands in brackets. */
final class Blocks
{
    public const BLANK = '____';

    /** @var list<array{html: string, part: string|null, unit: string}> paragraphs, and parts that stand alone */
    public array $blocks = [];

    /** @var list<string> parts that stand in lines, in the order of their places */
    public array $inline = [];

    /** @param  array<string, PlainPart>  $plain */
    private function __construct(private readonly array $plain)
    {
    }

    /**
     * @param  list<Element|string>  $nodes  of the body
     * @param  array<string, PlainPart>  $plain  part → what it is in a document
     */
    public static function of(array $nodes, array $plain): self
    {
        $blocks = new self($plain);
        foreach ($nodes as $node) {
            $blocks->block($node);
        }

        return $blocks;
    }

    private function block(Element|string $node): void
    {
        $part = $node instanceof Element && $node->name === 'div' ? $node->attribute('data-part') : null;
        if ($part !== null) {
            $this->blocks[] = ['html' => '', 'part' => $part, 'unit' => ''];

            return;
        }
        $alone = $node instanceof Element ? self::alone($node) : null;
        if ($alone !== null &&
            isset($this->plain[$alone]) &&
            $this->plain[$alone]->shape !== AnswerShape::Picks &&
            $this->plain[$alone]->shape !== AnswerShape::Pairs) {
            $unit = trim(html_entity_decode(strip_tags(Serialiser::html([$node]))));
            $this->blocks[] = ['html' => '', 'part' => $alone, 'unit' => $unit];

            return;
        }
        $html = Serialiser::html([is_string($node) ? $node : $this->filled($node)]);
        $this->blocks[] = ['html' => is_string($node) ? "<p>$html</p>" : $html, 'part' => null, 'unit' => ''];
    }

    /** The part of a paragraph that holds nothing else but a unit: a short answer. */
    private static function alone(Element $paragraph): ?string
    {
        $parts = [];
        $words = '';
        foreach ($paragraph->children as $child) {
            $part = $child instanceof Element ? $child->attribute('data-part') : null;
            if ($part !== null) {
                $parts[] = $part;
            } else {
                $words .= $parts === [] && trim(Serialiser::html([$child])) !== '' ? 'x x' : ' '.strip_tags(Serialiser::html([$child]));
            }
        }
        $isUnit = count(preg_split('/\s+/u', trim($words)) ?: []) < 2 && mb_strlen(trim($words)) < 30;

        return $paragraph->name === 'p' && count($parts) === 1 && $isUnit ? $parts[0] : null;
    }

    private function filled(Element $node): Element
    {
        return $node->withChildren(array_map(function (Element|string $child): Element|string {
            if (is_string($child)) {
                return $child;
            }
            $part = $child->attribute('data-part') ?? $child->attribute('data-of');
            if ($part === null || ! isset($this->plain[$part])) {
                return $this->filled($child);
            }
            $plain = $this->plain[$part];
            if ($plain->shape === AnswerShape::Pairs && $child->attribute('data-gap') === null) {
                return ''; // where the tiles lie
            }
            $this->inline[] = $part;

            return $plain->shape === AnswerShape::Picks ? self::brackets($plain) : self::BLANK;
        }, $node->children));
    }

    private static function brackets(PlainPart $plain): string
    {
        $words = array_map(fn (array $option): string => trim(html_entity_decode(strip_tags($option['html']))), $plain->options);
        $between = array_filter($words, fn (string $word): bool => str_contains($word, '/')) === [] ? ' / ' : ' | ';

        return '['.implode($between, $words).']';
    }
}
