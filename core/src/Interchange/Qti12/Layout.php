<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Content\AllowList;
use WideQuarry\Content\Element;
use WideQuarry\Content\RichText;
use WideQuarry\Content\Serialiser;

/**
 * A body as flows of material and responses. Words with no response among them stay HTML in one piece; where responses stand in a text
 * it is cut there, and what lies in tables and lists follows one after the other.
 */
final class Layout
{
    private string $xml = '';

    /** HTML that waits to be a material. */
    private string $run = '';

    /** @var list<string> tags that are open in the run, from the outside */
    private array $open = [];

    public bool $losesLayout = false;

    /**
     * @param  \Closure(string): string  $material  HTML as a material
     * @param  \Closure(string, string|null): string  $response  the response of a part, or of one of its gaps
     * @param  \Closure(list<Element|string>): list<Element|string>  $outward  nodes as they leave
     */
    private function __construct(
        private readonly \Closure $material,
        private readonly \Closure $response,
        private readonly \Closure $outward,
    ) {
    }

    /**
     * @param  \Closure(string): string  $material
     * @param  \Closure(string, string|null): string  $response
     * @param  \Closure(list<Element|string>): list<Element|string>  $outward
     */
    public static function of(string $body, \Closure $material, \Closure $response, \Closure $outward): self
    {
        $self = new self($material, $response, $outward);
        foreach (RichText::read($body)->nodes as $node) {
            $self->top($node);
        }
        $self->flush();

        return $self;
    }

    /** What stands in a presentation: materials and responses, or one flow of them when there are flows. */
    public function xml(): string
    {
        $xml = str_replace('<flow></flow>', '', $this->xml);

        return match (true) {
            $xml === '' => '<material><mattext/></material>',
            str_contains($xml, '<flow>') => "<flow>$xml</flow>",
            default => $xml,
        };
    }

    private function top(Element|string $node): void
    {
        if (! ($node instanceof Element) || ! self::asks($node)) {
            $this->run .= Serialiser::html(($this->outward)([$node]));
        } elseif ($node->name === 'div' && $node->attribute('data-part') !== null) {
            $this->flush();
            $this->xml .= ($this->response)($node->attribute('data-part'), null);
        } else {
            $this->flush();
            $this->xml .= '<flow>';
            $this->cut($node);
            $this->flush();
            $this->xml .= '</flow>';
        }
    }

    private function cut(Element $node): void
    {
        foreach ($node->children as $child) {
            if (! ($child instanceof Element) || ! self::asks($child)) {
                $this->run .= Serialiser::html(($this->outward)([$child]));
            } elseif ($child->attribute('data-part') !== null || $child->attribute('data-gap') !== null) {
                $this->flush();
                $gap = $child->attribute('data-gap');
                $this->xml .= ($this->response)(
                    $gap === null ? (string) $child->attribute('data-part') : (string) $child->attribute('data-of'),
                    $gap,
                );
                $this->run = implode('', array_map(fn (string $tag): string => "<$tag>", $this->open));
            } elseif (
                isset(AllowList::BLOCK[$child->name]) ||
                in_array($child->name, ['li', 'tr', 'td', 'th', 'tbody', 'thead', 'caption'], true)
            ) {
                $this->losesLayout = $this->losesLayout || $child->name !== 'p';
                $this->flush();
                $this->xml .= '</flow><flow>';
                $this->cut($child);
                $this->flush();
            } else {
                $this->run .= "<$child->name>";
                $this->open[] = $child->name;
                $this->cut($child);
                array_pop($this->open);
                $this->run .= "</$child->name>";
            }
        }
    }

    private function flush(): void
    {
        $html = $this->run.implode('', array_map(fn (string $tag): string => "</$tag>", array_reverse($this->open)));
        if (trim(strip_tags($html, '<img><math><audio><video>')) !== '') {
            $this->xml .= ($this->material)($html);
        }
        $this->run = '';
    }

    private static function asks(Element $node): bool
    {
        if ($node->attribute('data-part') !== null || $node->attribute('data-gap') !== null) {
            return true;
        }

        return array_filter($node->children, fn (Element|string $child): bool => $child instanceof Element && self::asks($child)) !== [];
    }
}
