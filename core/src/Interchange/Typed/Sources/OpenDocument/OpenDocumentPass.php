<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Typed\Sources\OpenDocument;

use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\SafeXml;
use WideQuarry\Interchange\Package\SafeZip;
use WideQuarry\Interchange\Typed\Sources\Passed;
use WideQuarry\Interchange\UnreadableFile;
use WideQuarry\Messages\Message;

/** Goes over an ODT before it is converted, as WordPass does over a DOCX. */
final class OpenDocumentPass
{
    /** @var list<Notice> */
    private array $notices = [];

    private function __construct(private readonly OdfStyles $styles, private readonly string $file)
    {
    }

    public static function is(SafeZip $zip): bool
    {
        return $zip->has('mimetype') &&
            $zip->has('content.xml') &&
            str_starts_with($zip->read('mimetype'), 'application/vnd.oasis.opendocument.text');
    }

    /**
     * @return array{array<string, string>, list<Notice>}
     *
     * @throws UnreadableFile
     */
    public static function over(SafeZip $zip, string $file): array
    {
        if ($zip->has('META-INF/manifest.xml') && str_contains($zip->read('META-INF/manifest.xml'), ':encryption-data')) {
            throw UnreadableFile::locked($file);
        }
        $styles = $zip->has('styles.xml') ? SafeXml::parse($zip->read('styles.xml'), 'styles.xml') : null;
        $content = SafeXml::parse($zip->read('content.xml'), 'content.xml');
        $pass = new self(new OdfStyles($styles, $content), $file);
        $pass->content($content);
        OdfStyles::withoutLines($content, $styles);
        if ($styles !== null) {
            $pass->margins($styles);
        }
        if (array_filter(array_keys($zip->entries), fn (string $name): bool => str_starts_with($name, 'Basic/') &&
            ! str_contains($name, 'script-l')) !== []) {
            $pass->notices[] = Notice::note('document.macros', Message::of('interchange.typed.macros-not-run'), $file);
        }
        $files = ['mimetype' => $zip->read('mimetype'), 'content.xml' => (string) $content->ownerDocument?->saveXML()];
        foreach ($zip->entries as $name => $index) {
            if ($name === 'styles.xml') {
                $files[$name] = (string) $styles?->ownerDocument?->saveXML();
            } elseif (preg_match('~^[^/]+/content\.xml$~', $name) === 1) {
                $files[$name] = $zip->read($name);
            } elseif (str_starts_with($name, 'Pictures/')) {
                $files[$name] = '';
            }
        }

        return [$files, $pass->notices];
    }

    private function content(\DOMElement $root): void
    {
        $changes = OdfXml::all($root, OdfXml::TEXT, 'tracked-changes');
        if ($changes !== []) {
            $this->notices[] = Notice::note('document.changes', Message::of('interchange.typed.changes-accepted'), $this->file);
            OdfXml::remove(...$changes);
        }
        foreach (OdfXml::all($root, OdfXml::OFFICE, 'annotation') as $comment) {
            $this->tell('comments', $comment->textContent);
            OdfXml::remove($comment);
        }
        $this->controls($root);
        $this->textBoxes($root);
        foreach (OdfXml::all($root, OdfXml::DRAW, 'object') as $object) {
            // an equation; the converter finds it under a name without a slash behind it
            $name = trim($object->getAttributeNS(OdfXml::XLINK, 'href'), './');
            $object->setAttributeNS(OdfXml::XLINK, 'xlink:href', "./$name");
        }
        foreach (OdfXml::all($root, OdfXml::TEXT, 'tab') as $tab) {
            OdfXml::replace($tab, Passed::TAB);
        }
        foreach (OdfXml::all($root, OdfXml::TEXT, 's') as $spaces) {
            OdfXml::replace($spaces, (int) $spaces->getAttributeNS(OdfXml::TEXT, 'c') > 1 ? Passed::WIDE : ' ');
        }
        foreach ([...OdfXml::all($root, OdfXml::TEXT, 'bookmark'), ...OdfXml::all($root, OdfXml::TEXT, 'bookmark-start')] as $bookmark) {
            $name = str_replace('_', '', $bookmark->getAttributeNS(OdfXml::TEXT, 'name'));
            if (preg_match('/^wq[0-9a-f]{32}$/', $name) === 1) {
                OdfXml::replace($bookmark, Passed::marked("id:$name", ''));
            }
        }
        $paragraphs = [...OdfXml::all($root, OdfXml::TEXT, 'p'), ...OdfXml::all($root, OdfXml::TEXT, 'h')];
        foreach ($paragraphs as $paragraph) {
            $style = $paragraph->getAttributeNS(OdfXml::TEXT, 'style-name');
            $this->texts($paragraph, $this->styles->marks('paragraph', $style));
            $isEmpty = trim($paragraph->textContent) === '' && OdfXml::all($paragraph, OdfXml::DRAW, 'frame') === [];
            OdfXml::before($paragraph, $isEmpty ? Passed::EMPTY : $this->heading($paragraph, $style));
        }
        foreach (OdfXml::all($root, OdfXml::TABLE, 'table-cell') as $cell) {
            foreach ($this->isAlone($cell) ? $this->styles->marks(
                'table-cell',
                $cell->getAttributeNS(OdfXml::TABLE, 'style-name'),
            ) : [] as $mark) {
                $this->mark($cell, [$mark]);
            }
        }
        (new OdfLists($this->styles))->flatten($root);
    }

    private function heading(\DOMElement $paragraph, string $style): string
    {
        $heading = (int) $paragraph->getAttributeNS(OdfXml::TEXT, 'outline-level') ?: $this->styles->heading($style);

        return $heading === 0 ? '' : Passed::marked('heading:'.min(6, $heading), '');
    }

    /** @param  list<string>  $marks  of what it stands in */
    private function texts(\DOMElement $within, array $marks): void
    {
        foreach (iterator_to_array($within->childNodes) as $child) {
            if ($child instanceof \DOMText) {
                $text = $child->data;
                foreach (trim($text) === '' ? [] : array_reverse($marks) as $mark) {
                    $text = Passed::marked($mark, $text);
                }
                $child->data = $text;
            } elseif ($child instanceof \DOMElement &&
                $child->namespaceURI === OdfXml::TEXT &&
                ! in_array($child->localName, ['p', 'h', 'note'], true)) {
                $own = $child->localName === 'span' ? $this->styles->marks('text', $child->getAttributeNS(OdfXml::TEXT, 'style-name')) : [];
                $named = array_map(fn (string $mark): string => explode(':', $mark)[0], $own);
                $kept = array_filter($marks, fn (string $mark): bool => ! in_array(explode(':', $mark)[0], $named, true));
                $this->texts($child, [...array_values($kept), ...$own]);
            }
        }
    }

    /** @param  list<string>  $marks */
    private function mark(\DOMElement $cell, array $marks): void
    {
        foreach (OdfXml::all($cell, OdfXml::TEXT, 'p') as $paragraph) {
            $this->texts($paragraph, $marks);
        }
    }

    /** Whether a cell looks otherwise than those beside it. */
    private function isAlone(\DOMElement $cell): bool
    {
        $styles = [];
        foreach ($cell->parentNode === null ? [] : $cell->parentNode->childNodes as $other) {
            if ($other instanceof \DOMElement && $other->localName === 'table-cell') {
                $styles[] = implode($this->styles->marks('table-cell', $other->getAttributeNS(OdfXml::TABLE, 'style-name')));
            }
        }

        return count(array_unique($styles)) > 1;
    }

    private function controls(\DOMElement $root): void
    {
        $boxes = [];
        foreach (OdfXml::all($root, OdfXml::FORM, 'checkbox') as $box) {
            $id = $box->getAttributeNS(OdfXml::FORM, 'id') ?: $box->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'id');
            $boxes[$id] = $box;
        }
        foreach (OdfXml::all($root, OdfXml::DRAW, 'control') as $control) {
            $box = $boxes[$control->getAttributeNS(OdfXml::DRAW, 'control')] ?? null;
            if ($box !== null) {
                $isOn = in_array('checked', [
                    $box->getAttributeNS(OdfXml::FORM, 'current-state') ?: $box->getAttributeNS(OdfXml::FORM, 'state'),
                ], true);
                OdfXml::replace($control, ($isOn ? '☑ ' : '☐ ').$box->getAttributeNS(OdfXml::FORM, 'label'));
            }
        }
        foreach (array_reverse(OdfXml::all($root, OdfXml::LOEXT, 'content-control')) as $control) {
            if ($control->getAttributeNS(OdfXml::LOEXT, 'checkbox') === 'true') {
                OdfXml::replace($control, $control->getAttributeNS(OdfXml::LOEXT, 'checked') === 'true' ? '☑ ' : '☐ ');
            } else {
                OdfXml::unwrap($control);
            }
        }
        foreach (OdfXml::all($root, OdfXml::TEXT, 'drop-down') as $list) {
            $labels = array_map(
                fn (\DOMElement $label): string => $label->getAttributeNS(OdfXml::TEXT, 'value'),
                OdfXml::all($list, OdfXml::TEXT, 'label'),
            );
            OdfXml::replace($list, '['.implode(' / ', $labels).']');
        }
    }

    private function textBoxes(\DOMElement $root): void
    {
        foreach (OdfXml::all($root, OdfXml::DRAW, 'text-box') as $box) {
            $holder = $box->parentNode;
            while ($holder !== null && ! OdfXml::is($holder, OdfXml::TEXT, 'p') && ! OdfXml::is($holder, OdfXml::OFFICE, 'text')) {
                $holder = $holder->parentNode;
            }
            if (! OdfXml::is($holder, OdfXml::TEXT, 'p') || $holder === null) {
                continue;
            }
            $after = $holder->nextSibling;
            while ($box->firstChild !== null) {
                $holder->parentNode?->insertBefore($box->firstChild, $after);
            }
        }
    }

    private function margins(\DOMElement $styles): void
    {
        foreach (['header', 'header-left', 'header-first', 'footer', 'footer-left', 'footer-first'] as $name) {
            foreach (OdfXml::all($styles, OdfXml::STYLE, $name) as $margin) {
                $this->tell(explode('-', $name)[0], $margin->textContent);
            }
        }
    }

    private function tell(string $where, string $words): void
    {
        $words = trim((string) preg_replace('/\s+/u', ' ', $words));
        if (! Passed::isPageNumber($words)) {
            $sentence = Message::of(Passed::LEFT[$where] ?? '', ['words' => mb_strimwidth($words, 0, 200, '…')]);
            $this->notices[] = Notice::loss("document.$where", $sentence, $this->file);
        }
    }
}
