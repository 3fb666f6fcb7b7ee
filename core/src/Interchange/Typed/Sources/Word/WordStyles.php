<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

/** What the styles of a document say that a converter does not: headings, numbers, and looks of whole paragraphs. */
final class WordStyles
{
    private const DEPTH = 20;

    /** @var array<string, \DOMElement> */
    private array $styles = [];

    private string $usual = '';

    public function __construct(?\DOMElement $root)
    {
        foreach ($root === null ? [] : WordXml::all($root, 'style') as $style) {
            $id = (string) WordXml::value($style, 'styleId');
            $this->styles[$id] = $style;
            if (WordXml::value($style, 'type') === 'paragraph' && WordXml::value($style, 'default') === '1') {
                $this->usual = $id;
            }
        }
    }

    /** @return int 1 to 6, 0 for none */
    public function heading(?string $id): int
    {
        foreach ($this->chain($id) as $style) {
            $name = strtolower((string) WordXml::value(WordXml::child($style, 'name')));
            if (preg_match('/^(?:heading|überschrift|titre|título|titolo|kop|nagłówek) ?([1-6])$/u', $name, $m) === 1) {
                return (int) $m[1];
            }
            if (in_array($name, ['title', 'subtitle'], true)) {
                return $name === 'title' ? 1 : 2;
            }
            $level = WordXml::value(WordXml::child(WordXml::child($style, 'pPr'), 'outlineLvl'));
            if ($level !== null && (int) $level < 6) {
                return (int) $level + 1;
            }
        }

        return 0;
    }

    public function numbering(?string $id): ?\DOMElement
    {
        foreach ($this->chain($id) as $style) {
            $numbering = WordXml::child(WordXml::child($style, 'pPr'), 'numPr');
            if ($numbering !== null) {
                return $numbering;
            }
        }

        return null;
    }

    /** @return list<\DOMElement> run properties, those of the style itself first; not those of the usual style */
    public function looks(?string $id): array
    {
        $looks = [];
        foreach ($id === $this->usual ? [] : $this->chain($id) as $name => $style) {
            $look = WordXml::child($style, 'rPr');
            if ($look !== null && $name !== $this->usual) {
                $looks[] = $look;
            }
        }

        return $looks;
    }

    /** @return array<string, \DOMElement> the style and those it is based on */
    private function chain(?string $id): array
    {
        $chain = [];
        $id ??= $this->usual;
        while (isset($this->styles[$id]) && ! isset($chain[$id]) && count($chain) < self::DEPTH) {
            $chain[$id] = $this->styles[$id];
            $id = (string) WordXml::value(WordXml::child($this->styles[$id], 'basedOn'));
        }

        return $chain;
    }
}
