<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources;

use WideQuarry\Interchange\Typed\Document\Cell;
use WideQuarry\Interchange\Typed\Document\Line;
use WideQuarry\Interchange\Typed\Document\Run;
use WideQuarry\Interchange\Typed\Document\Table;
use WideQuarry\Interchange\Typed\Document\Words;

/** The HTML that a converter made, as paragraphs with their looks. Lists become paragraphs that begin with their number or bullet. */
final class ConvertedHtml
{
    private const BLOCKS = [
        'p', 'div', 'section', 'article', 'main', 'body', 'ul', 'ol', 'li', 'dl', 'dt', 'dd', 'blockquote', 'pre', 'figure', 'figcaption',
        'table', 'h1', 'h2', 'h3', 'h4', 'h5', 'h6', 'header', 'footer', 'nav', 'aside', 'details', 'summary', 'address', 'form',
        'fieldset', 'center', 'hr', 'html',
    ];

    private const MARKS = [
        'strong' => 'bold', 'b' => 'bold', 'em' => 'italic', 'i' => 'italic', 'u' => 'underline', 'ins' => 'underline', 'del' => 'strike',
        's' => 'strike', 'strike' => 'strike', 'sub' => 'sub', 'sup' => 'sup', 'code' => 'code', 'mark' => 'highlight:mark',
    ];

    private const SKIPPED = [
        'script',
        'style',
        'head',
        'title',
        'template',
        'noscript',
        'button',
        'select',
        'textarea',
        'iframe',
        'object',
    ];

    /** @var list<Line|Table> */
    private array $items = [];

    private int $number = 0;

    private bool $apart = false;

    /** @var array<string, string> name of a footnote → its words */
    private array $notes = [];

    /** @var list<Run> */
    private array $runs = [];

    /** @var list<string> */
    private array $open = [];

    /** What stands before the next words: the number or bullet of a list. */
    private string $label = '';

    private ?string $id = null;

    private int $level = 0;

    /** Of a list of a word processor, which is no list any more. */
    private ?int $passedLevel = null;

    private int $heading = 0;

    private bool $isWithin = false;

    /** Deeper tables than this are read as their text. */
    private int $tables = 0;

    /** @param  \Closure(string $src, string $alt, ?string $width): (string|null)  $picture  its HTML, null where it is missing */
    private function __construct(private readonly \Closure $picture, private readonly bool $areLines)
    {
    }

    /**
     * @param  \Closure(string $src, string $alt, ?string $width): (string|null)  $picture
     * @param  bool  $areLines  whether each line is a paragraph, as in plain text
     * @return list<Line|Table>
     */
    public static function read(string $html, \Closure $picture, bool $areLines = false): array
    {
        $document = new \DOMDocument;
        $html = '<?xml encoding="UTF-8"><html><body>'.$html.'</body></html>';
        $document->loadHTML($html, LIBXML_NOERROR | LIBXML_NOWARNING | LIBXML_NONET | LIBXML_COMPACT | LIBXML_PARSEHUGE);
        $reader = new self($picture, $areLines);
        $body = $document->getElementsByTagName('body')->item(0);
        if ($body !== null) {
            $reader->notes($document);
            $reader->children($body, []);
            $reader->endLine();
        }

        return $reader->items;
    }

    /** Footnotes stand in the text, in brackets, where they are named. */
    private function notes(\DOMDocument $document): void
    {
        foreach (iterator_to_array($document->getElementsByTagName('section'), false) as $section) {
            if (! str_contains($section->getAttribute('class'), 'footnotes')) {
                continue;
            }
            foreach ($section->getElementsByTagName('li') as $note) {
                $this->notes[$note->getAttribute('id')] = trim(str_replace("\u{21A9}\u{FE0E}", '', $note->textContent));
            }
            $section->parentNode?->removeChild($section);
        }
    }

    /** @param  list<string>  $marks */
    private function children(\DOMNode $node, array $marks): void
    {
        foreach ($node->childNodes as $child) {
            if ($child instanceof \DOMText) {
                $this->text($child->data, $marks);
            } elseif ($child instanceof \DOMElement) {
                $this->element($child, $marks);
            }
        }
    }

    /** @param  list<string>  $marks */
    private function element(\DOMElement $element, array $marks): void
    {
        $name = strtolower($element->tagName);
        if (in_array($name, self::SKIPPED, true)) {
            return;
        }
        if (preg_match('/^wq-?([0-9a-f]{32})$/', str_replace('-', '', $element->getAttribute('id')), $m) === 1) {
            $this->id = $m[1];
        }
        $note = str_contains($element->getAttribute('class'), 'footnote-ref') ? substr($element->getAttribute('href'), 1) : '';
        match (true) {
            isset($this->notes[$note]) => $this->text(" ({$this->notes[$note]})", $marks),
            $name === 'br' => $this->endLine(isBreak: true),
            $name === 'math' => $this->runs[] = self::maths($element),
            $name === 'img' => $this->image($element),
            $name === 'table' => $this->table($element),
            $name === 'ol', $name === 'ul' => $this->list($element, $name),
            $name === 'hr' => $this->rule(),
            in_array($name, self::BLOCKS, true) => $this->block($element, $name, $marks),
            isset(self::MARKS[$name]) => $this->children($element, [...$marks, self::MARKS[$name]]),
            default => $this->children($element, $marks),
        };
    }

    /** @param  list<string>  $marks */
    private function block(\DOMElement $element, string $name, array $marks): void
    {
        $this->endLine();
        $heading = $this->heading;
        $this->heading = preg_match('/^h([1-6])$/', $name, $m) === 1 ? (int) $m[1] : $heading;
        $this->children($element, $marks);
        $this->endLine();
        $this->heading = $heading;
    }

    private function list(\DOMElement $list, string $name): void
    {
        $this->endLine();
        $value = (int) ($list->getAttribute('start') ?: '1');
        foreach ($list->childNodes as $item) {
            if (! $item instanceof \DOMElement || strtolower($item->tagName) !== 'li') {
                continue;
            }
            $value = $item->hasAttribute('value') ? (int) $item->getAttribute('value') : $value;
            $this->label = $name === 'ul' ? '• ' : ListNumber::text($value++, $list->getAttribute('type')).'. ';
            $this->level++;
            $this->children($item, []);
            $this->endLine();
            $this->level--;
            $this->label = '';
        }
    }

    private function table(\DOMElement $table): void
    {
        if ($this->tables > 0) {
            $this->children($table, []);

            return;
        }
        $this->endLine();
        [$items, $this->items] = [$this->items, []];
        $this->tables++;
        $rows = [];
        foreach ($table->getElementsByTagName('tr') as $row) {
            if ($this->isOf($row, $table)) {
                $cells = $this->cells($row);
                if ($cells !== []) {
                    $rows[] = $cells;
                }
            }
        }
        $this->tables--;
        $this->items = $items;
        foreach ($table->getElementsByTagName('caption') as $caption) {
            $this->children($caption, []);
            $this->endLine();
            break;
        }
        if ($rows !== []) {
            $this->items[] = new Table($rows);
        }
        $this->apart = true;
    }

    private function isOf(\DOMElement $row, \DOMElement $table): bool
    {
        for ($node = $row->parentNode; $node !== null; $node = $node->parentNode) {
            if ($node instanceof \DOMElement && strtolower($node->tagName) === 'table') {
                return $node->isSameNode($table);
            }
        }

        return false;
    }

    /** @return list<Cell> */
    private function cells(\DOMElement $row): array
    {
        $cells = [];
        foreach ($row->childNodes as $cell) {
            if ($cell instanceof \DOMElement && in_array(strtolower($cell->tagName), ['td', 'th'], true)) {
                $this->items = [];
                $this->children($cell, []);
                $this->endLine();
                $lines = array_values(array_filter($this->items, fn (Line|Table $item): bool => $item instanceof Line));
                $cells[] = new Cell($lines, strtolower($cell->tagName) === 'th');
            }
        }

        return array_filter($cells, fn (Cell $cell): bool => $cell->lines !== []) === [] ? [] : $cells;
    }

    /** An equation among words stands in their line. */
    private static function maths(\DOMElement $maths): Run
    {
        $around = $maths->parentNode;
        if ($around !== null && trim($around->textContent) !== trim($maths->textContent)) {
            $maths->setAttribute('display', 'inline');
        }

        return Run::thing((string) $maths->ownerDocument?->saveXML($maths));
    }

    private function image(\DOMElement $image): void
    {
        $html = ($this->picture)($image->getAttribute('src'), $image->getAttribute('alt'), self::width($image));
        if ($html !== null) {
            $this->runs[] = Run::thing($html);
        }
    }

    private static function width(\DOMElement $image): ?string
    {
        $width = preg_match('/width:\s*([\d.]+)(in|cm|px)/', $image->getAttribute('style'), $m) === 1 ? $m : null;

        return $width === null ? null : (string) (int) round((float) $width[1] * ['in' => 96, 'cm' => 37.8, 'px' => 1][$width[2]]);
    }

    private function rule(): void
    {
        $this->endLine();
        $this->apart = true;
    }

    /** @param  list<string>  $marks */
    private function text(string $text, array $marks): void
    {
        $text = (string) preg_replace('/[ \t\r\n\f]+/', ' ', $text);
        foreach (Passed::parts($text, $this->open) as [$part, $names]) {
            $passed = [];
            foreach ($names as $name) {
                if (preg_match('/^heading:(\d)$/', $name, $m) === 1) {
                    $this->heading = (int) $m[1];
                } elseif (preg_match('/^level:(\d+)$/', $name, $m) === 1) {
                    $this->passedLevel = (int) $m[1];
                } elseif (preg_match('/^id:wq([0-9a-f]{32})$/', $name, $m) === 1) {
                    $this->id = $m[1];
                } else {
                    $passed[] = $name;
                }
            }
            $this->apart = $this->apart || str_contains($part, Passed::EMPTY);
            $part = str_replace("\u{A0}", ' ', Passed::column($part));
            if ($part !== '') {
                $this->runs[] = new Run($part, array_values(array_unique([...$marks, ...$passed])));
            }
        }
    }

    /** Line breaks keep the number of their paragraph. */
    private function endLine(bool $isBreak = false): void
    {
        $words = self::blanks(Words::of($this->runs))->trimmed();
        $this->runs = [];
        if (! $words->isEmpty()) {
            if (! $this->isWithin || $this->areLines) {
                $this->number++;
            }
            if ($this->label !== '') {
                $words = Words::of([new Run($this->label, ['auto']), ...$words->runs]);
            }
            $this->items[] = new Line($this->number, $words, $this->heading, $this->apart, $this->passedLevel ?? $this->level, $this->id);
            [$this->label, $this->apart, $this->id] = ['', false, null];
            $this->isWithin = true;
        }
        if (! $isBreak) {
            $this->isWithin = false;
            $this->open = [];
            $this->passedLevel = null;
        }
    }

    /** Underlined blanks are what somebody writes on: "____". */
    private static function blanks(Words $words): Words
    {
        return Words::of(array_map(
            fn (Run $run): Run => $run->html === null && in_array('underline', $run->marks, true) && trim($run->text, " \t\u{A0}") === '' &&
                strlen($run->text) > 1
                ? new Run('____')
                : $run,
            $words->runs,
        ));
    }
}
