<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\Word;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\Typed\Sources\Passed;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/**
 * Goes over a DOCX (ECMA-376) before it is converted: numbers of lists, colours, shading, tabs and check boxes become text, text boxes
 * paragraphs, changes are taken as accepted. What stands in headers, footers and comments is told.
 */
final class WordPass
{
    /** @var list<Notice> */
    public array $notices = [];

    private readonly WordStyles $styles;

    private readonly WordNumbering $numbering;

    /** @throws UnreadableFile */
    private function __construct(private readonly SafeZip $zip, private readonly string $main, private readonly string $file)
    {
        $this->styles = new WordStyles($this->xml('styles.xml'));
        $this->numbering = new WordNumbering($this->xml('numbering.xml'));
    }

    public static function main(SafeZip $zip): ?string
    {
        if (! $zip->has('[Content_Types].xml')) {
            return null;
        }
        foreach (['word/document.xml', 'word/document2.xml'] as $name) {
            if ($zip->has($name)) {
                return $name;
            }
        }

        return null;
    }

    /**
     * @return array{array<string, string>, list<Notice>} the files of the same document, without what the converter need not see
     *
     * @throws UnreadableFile
     */
    public static function over(SafeZip $zip, string $file): array
    {
        $main = self::main($zip) ?? throw UnreadableFile::missing('word/document.xml');
        $pass = new self($zip, $main, $file);

        return [$pass->files(), $pass->notices];
    }

    /** @return array<string, string> */
    private function files(): array
    {
        $files = ['[Content_Types].xml' => $this->zip->read('[Content_Types].xml')];
        foreach ($this->zip->entries as $name => $index) {
            if (preg_match(
                '~^(?:_rels/|word/_rels/(?:document|footnotes|endnotes)|word/(?:footnotes|endnotes|fontTable|theme))~',
                $name,
            ) === 1 &&
                preg_match('/\.(?:xml|rels)$/', $name) === 1) {
                $files[$name] = $this->zip->read($name);
            } elseif (str_starts_with($name, 'word/media/')) {
                $files[$name] = ''; // its bytes are taken from the document itself
            }
        }
        foreach (['footnotes.xml', 'endnotes.xml'] as $notes) {
            $root = $this->xml($notes);
            if ($root !== null) {
                $this->simplify($root);
                $files["word/$notes"] = (string) $root->ownerDocument?->saveXML();
            }
        }
        $root = SafeXml::parse(self::transitional($this->zip->read($this->main)), $this->main);
        $this->simplify($root);
        $files[$this->main] = (string) $root->ownerDocument?->saveXML();
        $styles = $this->xml('styles.xml');
        if ($styles !== null) {
            WordXml::remove(...WordXml::all($styles, 'numPr'));
            $files['word/styles.xml'] = (string) $styles->ownerDocument?->saveXML();
        }
        $this->tellLeft();

        return $files;
    }

    private function xml(string $name): ?\DOMElement
    {
        $name = "word/$name";

        return $this->zip->has($name) ? SafeXml::parse(self::transitional($this->zip->read($name)), $name) : null;
    }

    /** Strict documents have other names for the same. */
    private static function transitional(string $xml): string
    {
        return str_replace(
            [WordXml::STRICT, 'http://purl.oclc.org/ooxml/officeDocument/math', 'http://purl.oclc.org/ooxml/officeDocument/relationships'],
            [WordXml::W, WordXml::MATHS, 'http://schemas.openxmlformats.org/officeDocument/2006/relationships'],
            $xml,
        );
    }

    private function simplify(\DOMElement $root): void
    {
        $this->acceptChanges($root);
        $this->controls($root);
        $this->textBoxes($root);
        foreach (WordXml::all($root, 'gridCol') as $column) {
            // a converter leaves out a table whose columns have no width
            if (WordXml::value($column, 'w') === null) {
                $column->setAttributeNS(WordXml::W, 'w:w', '2000');
            }
        }
        foreach (WordXml::all($root, 'p') as $paragraph) {
            $this->paragraph($paragraph);
        }
        // after the paragraphs, whose own text may hold no signs of ours
        foreach (WordXml::all($root, 'bookmarkStart') as $bookmark) {
            $name = str_replace('_', '', (string) WordXml::value($bookmark, 'name'));
            if (preg_match('/^wq[0-9a-f]{32}$/', $name) === 1 && $bookmark->ownerDocument !== null) {
                $run = WordXml::run($bookmark->ownerDocument, Passed::marked("id:$name", ''));
                $bookmark->parentNode?->replaceChild($run, $bookmark);
            }
        }
    }

    private function acceptChanges(\DOMElement $root): void
    {
        $before = [...WordXml::all($root, 'del'), ...WordXml::all($root, 'moveFrom')];
        $after = [...WordXml::all($root, 'ins'), ...WordXml::all($root, 'moveTo')];
        if ([...$before, ...$after] !== []) {
            $sentence = Message::of('interchange.typed.changes-accepted');
            $this->notices[] = Notice::note('document.changes', $sentence, $this->file);
        }
        WordXml::remove(...$before);
        foreach ($after as $element) {
            WordXml::unwrap($element);
        }
    }

    /** Content controls and form fields: boxes, lists to choose from. */
    private function controls(\DOMElement $root): void
    {
        foreach (array_reverse(WordXml::all($root, 'sdt')) as $control) {
            $properties = WordXml::child($control, 'sdtPr');
            $content = WordXml::child($control, 'sdtContent');
            $box = WordXml::child($properties, 'checkbox', WordXml::W14);
            $list = WordXml::child($properties, 'dropDownList') ?? WordXml::child($properties, 'comboBox');
            if ($content === null || $control->ownerDocument === null) {
                WordXml::remove($control);
            } elseif ($box !== null) {
                $checked = WordXml::child($box, 'checked', WordXml::W14)?->getAttributeNS(WordXml::W14, 'val');
                $this->say($content, in_array($checked, ['1', 'true', 'on'], true) ? '☑ ' : '☐ ');
                WordXml::unwrap($control, $content);
            } else {
                if ($list !== null) {
                    $this->say($content, self::alternatives(WordXml::all($list, 'listItem'), 'displayText'));
                }
                WordXml::unwrap($control, $content);
            }
        }
        foreach ([...WordXml::all($root, 'smartTag'), ...WordXml::all($root, 'customXml')] as $wrapper) {
            WordXml::remove(...array_filter([WordXml::child($wrapper, 'smartTagPr'), WordXml::child($wrapper, 'customXmlPr')]));
            WordXml::unwrap($wrapper);
        }
        foreach (WordXml::all($root, 'ffData') as $field) {
            $box = WordXml::child($field, 'checkBox');
            $list = WordXml::child($field, 'ddList');
            $run = $field->parentNode?->parentNode;
            if ($run instanceof \DOMElement && $run->ownerDocument !== null && ($box ?? $list) !== null) {
                $isOn = WordXml::isOn(WordXml::child($box, 'checked') ?? WordXml::child($box, 'default'));
                $text = $box !== null ? ($isOn ? '☑ ' : '☐ ') : self::alternatives(WordXml::all($list ?? $field, 'listEntry'), 'val');
                $run->parentNode?->insertBefore(WordXml::run($run->ownerDocument, $text), $run);
            }
        }
    }

    /** Puts words in the place of what a control shows. */
    private function say(\DOMElement $content, string $text): void
    {
        $document = $content->ownerDocument;
        $texts = WordXml::all($content, 't');
        if ($document === null) {
            return;
        }
        if ($texts === []) {
            ($content->lastElementChild ?? $content)->appendChild(WordXml::run($document, $text));
        }
        foreach ($texts as $i => $element) {
            $element->parentNode?->replaceChild(WordXml::text($document, $i === 0 ? $text : ''), $element);
        }
    }

    /** @param  list<\DOMElement>  $entries */
    private static function alternatives(array $entries, string $name): string
    {
        $words = array_map(
            fn (\DOMElement $entry): string => (string) (WordXml::value($entry, $name) ?? WordXml::value($entry, 'value')),
            $entries,
        );
        $words = array_values(
            array_filter($words, fn (string $one): bool => trim($one) !== '' && preg_match('/^(?:choose|select) /i', $one) !== 1),
        );

        return '['.implode(' / ', $words).']';
    }

    /** Paragraphs of text boxes come after the one that holds the box; a second picture of the same box is left out. */
    private function textBoxes(\DOMElement $root): void
    {
        foreach (WordXml::all($root, 'AlternateContent', WordXml::MC) as $either) {
            $choice = WordXml::child($either, 'Choice', WordXml::MC);
            $fallback = WordXml::child($either, 'Fallback', WordXml::MC);
            $hasText = $choice !== null && WordXml::all($choice, 'txbxContent') !== [];
            $hasPicture = $choice !== null && $choice->getElementsByTagName('blip')->length + $choice->getElementsByTagNameNS(
                'http://schemas.openxmlformats.org/drawingml/2006/main',
                'blip',
            )->length > 0;
            $taken = $hasText || $hasPicture ? $choice : ($fallback ?? $choice);
            if ($taken === null) {
                WordXml::remove($either);
            } else {
                WordXml::unwrap($either, $taken);
            }
        }
        foreach (WordXml::all($root, 'txbxContent') as $box) {
            $holder = $box->parentNode;
            while ($holder !== null && ! (
                $holder instanceof \DOMElement && $holder->localName === 'p' && $holder->namespaceURI === WordXml::W
            )) {
                $holder = $holder->parentNode;
            }
            $after = $holder?->nextSibling;
            while ($holder !== null && $box->firstChild !== null) {
                $holder->parentNode?->insertBefore($box->firstChild, $after);
            }
        }
    }

    private function paragraph(\DOMElement $paragraph): void
    {
        $document = $paragraph->ownerDocument;
        $properties = WordXml::child($paragraph, 'pPr');
        $style = WordXml::value(WordXml::child($properties, 'pStyle'));
        $looks = $this->styles->looks($style);
        $shade = WordLook::shade(WordXml::child($properties, 'shd')) ?? self::cellShade($paragraph);
        foreach (WordXml::all($paragraph, 'r') as $run) {
            $this->textOf($run, $looks, $shade);
        }
        if ($document === null) {
            return;
        }
        $own = WordXml::value(WordXml::child($properties, 'outlineLvl'));
        $heading = $own !== null && (int) $own < 6 ? (int) $own + 1 : $this->styles->heading($style);
        $says = $heading === 0 ? '' : Passed::marked("heading:$heading", '');
        $says .= $this->label($properties, $style);
        $isEmpty = trim($paragraph->textContent) === '' &&
            WordXml::all($paragraph, 'oMath', WordXml::MATHS) === [] &&
            WordXml::all($paragraph, 'drawing') === [] &&
            WordXml::all($paragraph, 'pict') === [];
        $says = $isEmpty ? Passed::EMPTY : $says;
        if ($says !== '') {
            $paragraph->insertBefore(
                WordXml::run($document, $says),
                $properties === null ? $paragraph->firstChild : $properties->nextSibling,
            );
        }
        if ($properties !== null) {
            WordXml::remove($properties);
        }
    }

    private function label(?\DOMElement $properties, ?string $style): string
    {
        $numbering = WordXml::child($properties, 'numPr') ?? $this->styles->numbering($style);
        $list = WordXml::value(WordXml::child($numbering, 'numId')) ?? WordXml::value(
            WordXml::child($this->styles->numbering($style), 'numId'),
        );
        if ($list === null || $list === '0') {
            return '';
        }
        $level = max(0, min(8, (int) WordXml::value(WordXml::child($numbering, 'ilvl'))));
        $label = $this->numbering->next($list, $level);

        return $label === null ? '' : Passed::marked("level:$level", '').Passed::marked('auto', $label);
    }

    /** @param  list<\DOMElement>  $styles */
    private function textOf(\DOMElement $run, array $styles, ?string $shade): void
    {
        $document = $run->ownerDocument;
        if ($document === null) {
            return;
        }
        $properties = WordXml::child($run, 'rPr');
        $marks = [
            ...WordLook::marks($properties === null ? $styles : [$properties, ...$styles], $shade),
            ...WordLook::ofStyle($properties, $styles),
        ];
        foreach (iterator_to_array($run->childNodes) as $child) {
            $text = ! $child instanceof \DOMElement || $child->namespaceURI !== WordXml::W ? null : match ($child->localName) {
                't' => Passed::text($child->textContent),
                'tab', 'ptab' => Passed::TAB,
                'sym' => Symbols::text((string) WordXml::value($child, 'font'), (string) WordXml::value($child, 'char')),
                'noBreakHyphen' => "\u{2011}",
                'softHyphen', 'lastRenderedPageBreak' => '',
                default => null,
            };
            if ($text !== null) {
                foreach ($text === '' ? [] : $marks as $mark) {
                    $text = Passed::marked($mark, $text);
                }
                $run->replaceChild(WordXml::text($document, $text), $child);
            } elseif ($child instanceof \DOMElement &&
                $child->localName === 'br' &&
                in_array(WordXml::value($child, 'type'), ['page', 'column'], true)) {
                WordXml::remove($child);
            }
        }
        $position = (int) WordXml::value(WordXml::child($properties, 'position'));
        if ($position !== 0 && WordXml::child($properties, 'vertAlign') === null && $properties !== null) {
            $align = $document->createElementNS(WordXml::W, 'w:vertAlign');
            $align->setAttributeNS(WordXml::W, 'w:val', $position < 0 ? 'subscript' : 'superscript');
            $properties->appendChild($align);
        }
        $hidden = WordXml::child($properties, 'vanish');
        if ($hidden !== null) {
            WordXml::remove($hidden);
        }
    }

    private static function cellShade(\DOMElement $paragraph): ?string
    {
        $cell = $paragraph->parentNode;
        if (! $cell instanceof \DOMElement || $cell->localName !== 'tc') {
            return null;
        }
        $row = $cell->parentNode;
        $fills = [];
        foreach ($row === null ? [] : $row->childNodes as $other) {
            if ($other instanceof \DOMElement && $other->localName === 'tc') {
                $fills[] = WordLook::shade(WordXml::child(WordXml::child($other, 'tcPr'), 'shd'));
            }
        }

        // a whole row in one colour is how tables look
        return count(array_unique($fills)) < 2 ? null : WordLook::shade(WordXml::child(WordXml::child($cell, 'tcPr'), 'shd'));
    }

    /** What stands outside of the text. */
    private function tellLeft(): void
    {
        $said = [];
        foreach ($this->zip->entries as $name => $index) {
            $is = preg_match('~^word/(header|footer|comments)\d*\.xml$~', $name, $m) === 1 ? $m[1] : null;
            if ($is === null) {
                continue;
            }
            $root = SafeXml::parse(self::transitional($this->zip->read($name)), $name);
            foreach ($is === 'comments' ? WordXml::all($root, 'comment') : [$root] as $part) {
                $words = trim((string) preg_replace('/\s+/u', ' ', implode(' ', array_map(
                    fn (\DOMElement $paragraph): string => implode('', array_map(
                        fn (\DOMElement $text): string => $text->textContent,
                        WordXml::all($paragraph, 't'),
                    )),
                    WordXml::all($part, 'p'),
                ))));
                if (! Passed::isPageNumber($words) && ! isset($said[$is.$words])) {
                    $said[$is.$words] = true;
                    $sentence = Message::of(Passed::LEFT[$is], ['words' => mb_strimwidth($words, 0, 200, '…')]);
                    $this->notices[] = Notice::loss("document.$is", $sentence, $this->file);
                }
            }
        }
        if ($this->zip->has('word/vbaProject.bin')) {
            $this->notices[] = Notice::note('document.macros', Message::of('interchange.typed.macros-not-run'), $this->file);
        }
        $isOutside = $this->zip->has('word/_rels/document.xml.rels') &&
            preg_match(
                '~Type="[^"]*/(?:image|attachedTemplate|oleObject|frame|subDocument|aFChunk)"[^>]*TargetMode="External"|'.
                'TargetMode="External"[^>]*Type="[^"]*/(?:image|attachedTemplate|oleObject|frame|subDocument)"~',
                $this->zip->read('word/_rels/document.xml.rels'),
            ) === 1;
        if ($isOutside) {
            $this->notices[] = Notice::loss('document.outside', Message::of('interchange.typed.outside-not-fetched'), $this->file);
        }
    }
}
