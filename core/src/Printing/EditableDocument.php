<?php

declare(strict_types=1);

namespace WideQuarry\Printing;

use Masterminds\HTML5;

/**
 * The papers as a word processor can take them: the markup for pages (Sheet) turned into numbered lists, tables and paragraphs, with
 * styles of the reference document (data-custom-style, as Pandoc reads it). What is drawn becomes a picture.
 */
final class EditableDocument
{
    /** Paragraph styles of resources/documents/reference.docx and .odt. */
    private const LINE = 'Answer Line';

    private const NEW_PAGE = 'New Page';

    private const SHARED = 'Shared Text';

    private const FORM = 'Form Letter';

    /** Millimetres of a line, and of what is drawn across the page. */
    private const LINE_HEIGHT = 8.5;

    private const WIDTH = 170;

    private const LIST_TYPES = ['A' => 'A', 'a' => 'a', '1' => '1', 'i' => 'i'];

    private readonly \DOMDocument $dom;

    private readonly \DOMXPath $find;

    private function __construct(string $body)
    {
        $this->dom = new \DOMDocument('1.0', 'UTF-8');
        $html = new HTML5(['disable_html_ns' => true, 'encode_entities' => false]);
        $root = $this->dom->createElement('body');
        $this->dom->appendChild($root);
        $root->appendChild($this->dom->importNode($html->loadHTMLFragment($body), true));
        $this->find = new \DOMXPath($this->dom);
    }

    /**
     * @param  string  $body  as Sheet made it
     * @param  \Closure(list<string>): list<string|null>  $draw  SVG → where the picture of each is; null of one that cannot be drawn
     */
    public static function of(string $body, string $language, \Closure $draw): string
    {
        $document = new self($body);
        $document->simplify();
        $document->draw($draw);
        $document->number();
        $said = '';
        foreach ($document->dom->documentElement->childNodes ?? [] as $node) {
            $said .= (new HTML5(['encode_entities' => false]))->saveHTML($node);
        }

        return '<!doctype html><html lang="'.Paper::text($language)."\"><head><meta charset=\"utf-8\"></head><body>$said</body></html>";
    }

    private function simplify(): void
    {
        foreach (['//*[@hidden]', $this->with('end')] as $gone) {
            $this->each($gone, function (\DOMElement $one): void {
                $one->remove();
            });
        }
        foreach ($this->all($this->with('paper')) as $i => $paper) {
            if ($i > 0) {
                $paper->insertBefore($this->styled(self::NEW_PAGE, "\u{A0}"), $paper->firstChild);
            }
        }
        foreach ($this->all($this->with('breaks')) as $question) {
            $question->parentNode?->insertBefore($this->styled(self::NEW_PAGE, "\u{A0}"), $question);
        }
        foreach ($this->all($this->with('form-letter')) as $letter) {
            $this->replace($letter, $this->styled(self::FORM, $letter->textContent));
        }
        $this->each($this->with('fields'), $this->fields(...));
        $this->each($this->with('gap'), fn (\DOMElement $one): mixed => $this->replace($one, $this->underscores($one)));
        $this->each($this->with('rule'), fn (\DOMElement $one): mixed => $this->replace($one, $this->styled(self::LINE, "\u{A0}")));
        $this->each($this->with('box'), fn (\DOMElement $one): mixed => $this->replace($one, $this->dom->createTextNode('☐ ')));
        $this->each($this->with('dot'), fn (\DOMElement $one): mixed => $this->replace($one, $this->dom->createTextNode(' • ')));
        $this->each($this->with('join'), $this->join(...));
        $this->each($this->with('circles'), $this->circles(...));
        $this->each($this->with('bank'), $this->bank(...));
        $this->each($this->with('options'), $this->options(...));
        $this->each('//div['.self::has('space').']', $this->emptyBox(...));
        $this->each($this->with('stimulus'), $this->shared(...));
    }

    /** What questions share has a style of its own, which only a div can name. */
    private function shared(\DOMElement $stimulus): void
    {
        $div = $this->dom->createElement('div');
        $div->setAttribute('data-custom-style', self::SHARED);
        foreach (iterator_to_array($stimulus->childNodes) as $node) {
            $div->appendChild($node);
        }
        $this->replace($stimulus, $div);
    }

    /** Runs of questions become numbered lists; with words before the number, or where one is gone, numbers are text. */
    private function number(): void
    {
        $list = null;
        $next = null;
        foreach ($this->all('//article[h3]') as $article) {
            $label = rtrim(trim($this->first($article, 'h3')->textContent ?? ''), '.');
            $this->first($article, 'h3')?->remove();
            $follows = $list !== null && $article->previousElementSibling === $list && $next === $label;
            if (! ctype_digit($label)) {
                $this->asText($article, $label);
                $list = null;

                continue;
            }
            if (! $follows) {
                $list = $this->dom->createElement('ol');
                $list->setAttribute('start', $label);
                $article->parentNode?->insertBefore($list, $article);
            }
            $item = $this->dom->createElement('li');
            $this->fill($item, $article);
            $list->appendChild($item);
            $article->remove();
            $next = (string) ((int) $label + 1);
        }
    }

    /** What is asked, and behind its first paragraph what it is worth. */
    private function fill(\DOMElement $into, \DOMElement $article): void
    {
        $points = trim($this->first($article, '*['.self::has('points').']')->textContent ?? '');
        $asked = $this->first($article, 'div') ?? $article;
        foreach (iterator_to_array($asked->childNodes) as $node) {
            $into->appendChild($node);
        }
        if ($points === '') {
            return;
        }
        $paragraph = $this->first($into, 'p');
        if ($paragraph === null) {
            $paragraph = $this->dom->createElement('p');
            $into->insertBefore($paragraph, $into->firstChild);
        }
        $paragraph->appendChild($this->dom->createTextNode(" ($points)"));
    }

    private function asText(\DOMElement $article, string $label): void
    {
        $div = $this->dom->createElement('div');
        $this->fill($div, $article);
        $paragraph = $this->first($div, 'p');
        $number = $this->dom->createElement('strong');
        $number->appendChild($this->dom->createTextNode("$label. "));
        if ($paragraph === null) {
            $paragraph = $this->dom->createElement('p');
            $div->insertBefore($paragraph, $div->firstChild);
        }
        $paragraph->insertBefore($number, $paragraph->firstChild);
        $this->replace($article, $div);
    }

    /** Options become a list with the labels they have. */
    private function options(\DOMElement $list): void
    {
        $first = rtrim(trim($this->first($list, 'li/span['.self::has('letter').']')->textContent ?? ''), '.');
        $type = self::LIST_TYPES[$first] ?? null;
        $into = $this->dom->createElement($type === null ? 'ul' : 'ol');
        if ($type !== null) {
            $into->setAttribute('type', $type);
        }
        foreach ($this->within($list, 'li') as $option) {
            $item = $this->dom->createElement('li');
            $body = $this->first($option, 'span['.self::has('option').']') ?? $option;
            foreach (iterator_to_array($body->childNodes) as $node) {
                $item->appendChild($node);
            }
            $into->appendChild($item);
        }
        $this->replace($list, $into);
    }

    /** Two columns to join become a table. */
    private function join(\DOMElement $both): void
    {
        [$left, $right] = [...array_map(fn (\DOMElement $one): array => $this->within($one, 'li'), $this->within($both, 'ul')), [], []];
        $table = $this->dom->createElement('table');
        for ($i = 0; $i < max(count($left), count($right)); $i++) {
            $row = $this->dom->createElement('tr');
            foreach ([$left[$i] ?? null, $right[$i] ?? null] as $item) {
                $cell = $this->dom->createElement('td');
                foreach ($item === null ? [] : iterator_to_array($item->childNodes) as $node) {
                    $cell->appendChild($node);
                    $cell->appendChild($this->dom->createTextNode(' '));
                }
                $row->appendChild($cell);
            }
            $table->appendChild($row);
        }
        $this->replace($both, $table);
    }

    /** An answer sheet becomes a table: the number, and a circle before each letter. */
    private function circles(\DOMElement $rows): void
    {
        $table = $this->dom->createElement('table');
        foreach ($this->within($rows, 'div['.self::has('row').']') as $row) {
            $line = $this->dom->createElement('tr');
            $this->cell($line, $this->first($row, 'span['.self::has('number').']')->textContent ?? '');
            $said = [];
            foreach ($this->within($row, 'span/span['.self::has('line').']') as $one) {
                $letters = array_map(
                    fn (\DOMElement $circle): string => "○\u{A0}$circle->textContent",
                    $this->within($one, 'span['.self::has('circle').']'),
                );
                $said[] = $letters === [] ? trim($one->textContent) : implode('   ', $letters);
            }
            $written = trim($this->first($row, 'span['.self::has('lines').']')->textContent ?? '');
            $this->cell($line, $said === [] ? $written : implode('; ', $said));
            $table->appendChild($line);
        }
        $this->replace($rows, $table);
    }

    private function cell(\DOMElement $row, string $text): void
    {
        $cell = $this->dom->createElement('td');
        $cell->appendChild($this->dom->createTextNode($text));
        $row->appendChild($cell);
    }

    /** Words to be used stand on one line. */
    private function bank(\DOMElement $list): void
    {
        $words = array_map(fn (\DOMElement $one): string => trim($one->textContent), $this->within($list, 'li'));
        $paragraph = $this->dom->createElement('p');
        $paragraph->appendChild($this->dom->createTextNode(implode('   |   ', $words)));
        $this->replace($list, $paragraph);
    }

    private function fields(\DOMElement $fields): void
    {
        $said = [];
        foreach ($this->within($fields, 'span') as $field) {
            foreach ($this->all('.//span', $field) as $line) {
                $this->replace($line, $this->dom->createTextNode('________________'));
            }
            $said[] = trim($field->textContent);
        }
        $paragraph = $this->dom->createElement('p');
        $paragraph->appendChild($this->dom->createTextNode(implode('     ', $said)));
        $this->replace($fields, $paragraph);
    }

    private function underscores(\DOMElement $gap): \DOMText
    {
        $em = preg_match('/width:([\d.]+)em/', $gap->getAttribute('style'), $found) === 1 ? (float) $found[1] : 7.0;

        return $this->dom->createTextNode(str_repeat('_', max(4, min(60, (int) round($em * 2)))));
    }

    /** An empty box is a table of one cell, an empty space so many empty lines. */
    private function emptyBox(\DOMElement $space): void
    {
        $height = preg_match('/height:([\d.]+)mm/', $space->getAttribute('style'), $found) === 1 ? (float) $found[1] : self::LINE_HEIGHT;
        $lines = max(1, (int) round($height / self::LINE_HEIGHT));
        $isBox = str_contains($space->getAttribute('class'), 'box-space');
        $into = $this->dom->createElement($isBox ? 'td' : 'div');
        for ($i = 0; $i < $lines; $i++) {
            $paragraph = $this->dom->createElement('p');
            $paragraph->appendChild($this->dom->createTextNode("\u{A0}"));
            $into->appendChild($paragraph);
        }
        if ($isBox) {
            $table = $this->dom->createElement('table');
            $row = $this->dom->createElement('tr');
            $row->appendChild($into);
            $table->appendChild($row);
            $into = $table;
        }
        $this->replace($space, $into);
    }

    /** @param  \Closure(list<string>): list<string|null>  $draw */
    private function draw(\Closure $draw): void
    {
        $drawings = $this->all('//svg');
        foreach ($drawings as $svg) {
            $this->sized($svg);
        }
        // pictures that are drawings, too: word processors show them or not
        $pictures = $this->all("//img[starts-with(@src, 'data:image/svg+xml;base64,')]");
        $written = [
            ...array_map(fn (\DOMElement $svg): string => (string) $this->dom->saveXML($svg), $drawings),
            ...array_map(
                fn (\DOMElement $one): string => (string) base64_decode(explode(',', $one->getAttribute('src'), 2)[1] ?? '', true),
                $pictures,
            ),
        ];
        foreach ($written === [] ? [] : $draw($written) as $i => $from) {
            if (isset($drawings[$i])) {
                $this->drawn($drawings[$i], $from);
            } elseif ($from !== null) {
                $pictures[$i - count($drawings)]->setAttribute('src', $from);
            }
        }
    }

    private function sized(\DOMElement $svg): void
    {
        if (str_contains($svg->getAttribute('class'), 'squares')) {
            $height = preg_match('/height:([\d.]+)mm/', $svg->getAttribute('style'), $found) === 1 ? $found[1] : '80';
            $svg->setAttribute('width', self::WIDTH.'mm');
            $svg->setAttribute('height', $height.'mm');
        }
        $svg->setAttribute('xmlns', 'http://www.w3.org/2000/svg');
    }

    private function drawn(\DOMElement $svg, ?string $from): void
    {
        $name = $this->find->evaluate('string(.//title|@aria-label)', $svg);
        if ($from === null) {
            $this->replace($svg, $this->dom->createTextNode('['.(is_string($name) ? $name : '').']'));

            return;
        }
        $picture = $this->dom->createElement('img');
        $picture->setAttribute('src', $from);
        $picture->setAttribute('alt', is_string($name) ? $name : '');
        if (preg_match('/^([\d.]+)(mm)?$/', $svg->getAttribute('width'), $size) === 1) {
            $pixels = (float) $size[1] * (isset($size[2]) ? 96 / 25.4 : 1);
            $picture->setAttribute('width', (string) (int) min(self::WIDTH * 96 / 25.4, $pixels));
        }
        $this->replace($svg, $picture);
    }

    private function styled(string $style, string $text): \DOMElement
    {
        $div = $this->dom->createElement('div');
        $div->setAttribute('data-custom-style', $style);
        $paragraph = $this->dom->createElement('p');
        $paragraph->appendChild($this->dom->createTextNode($text));
        $div->appendChild($paragraph);

        return $div;
    }

    private function replace(\DOMElement $old, \DOMNode $new): null
    {
        $old->parentNode?->replaceChild($new, $old);

        return null;
    }

    /** @param  callable(\DOMElement): mixed  $act */
    private function each(string $path, callable $act, ?\DOMNode $in = null): void
    {
        foreach ($this->all($path, $in) as $element) {
            $act($element);
        }
    }

    /** @return list<\DOMElement> */
    private function all(string $path, ?\DOMNode $in = null): array
    {
        $found = $this->find->query($path, $in);
        $elements = [];
        foreach ($found === false ? [] : $found as $node) {
            if ($node instanceof \DOMElement) {
                $elements[] = $node;
            }
        }

        return $elements;
    }

    /** @return list<\DOMElement> */
    private function within(\DOMElement $in, string $path): array
    {
        return $this->all("./$path", $in);
    }

    private function first(\DOMElement $in, string $path): ?\DOMElement
    {
        return $this->within($in, $path)[0] ?? null;
    }

    /** The path of every element with a class. */
    private function with(string $class, string $name = '*'): string
    {
        return "//{$name}[".self::has($class).']';
    }

    private static function has(string $class): string
    {
        return "contains(concat(' ', normalize-space(@class), ' '), ' $class ')";
    }
}
