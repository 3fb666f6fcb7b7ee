<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use Masterminds\HTML5;
use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
use WideQuarry\Interchange\Package\MediaLinks;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;

/** What is shown in an item as rich text: words, images, and HTML in any of the ways it is put into this format. */
final class MaterialReader
{
    /** Plain text in which these stand is HTML that somebody escaped. */
    private const ESCAPED = '~</?(?:p|br|b|i|em|strong|u|sub|sup|img|span|div|table|tr|td|ul|ol|li|font|a)\b[^>]*>~i';

    /** @var list<Notice> */
    public array $notices = [];

    /** @param  \Closure(string): (Medium|Notice|null)  $medium */
    public function __construct(private readonly string $file, private readonly string $question, private readonly \Closure $medium)
    {
    }

    /** The HTML of everything below an element that is material; responses and what belongs to them are passed over. */
    public function inside(\DOMElement $element): string
    {
        $html = '';
        foreach (Xml::children($element) as $child) {
            $html .= match ($child->localName) {
                'mattext', 'matemtext' => $this->text($child),
                'matbreak' => '<br>',
                'matimage' => $this->shown(
                    'img',
                    ['src' => $child->getAttribute('uri'), 'alt' => $child->getAttribute('label')],
                ),
                'mataudio', 'matvideo' => $this->shown(
                    substr((string) $child->localName, 3),
                    ['src' => $child->getAttribute('uri'), 'title' => $child->getAttribute('label')],
                ),
                'matapplet', 'matapplication' => $this->left((string) $child->localName),
                'material', 'flow', 'flow_mat', 'flow_label', 'altmaterial' => self::block(
                    $this->inside($child),
                    (string) $child->localName,
                ),
                default => '',
            };
        }

        return $html;
    }

    /** A picture as rich text; empty where there is none. */
    public function picture(\DOMElement $image): string
    {
        return $this->shown('img', ['src' => $image->getAttribute('uri'), 'alt' => $image->getAttribute('label')]);
    }

    private function text(\DOMElement $element): string
    {
        $marked =
            stripos($element->getAttribute('texttype'), 'html') !== false ||
            Xml::children($element) !== [] ||
            preg_match(self::ESCAPED, $element->textContent) === 1;
        if (! $marked) {
            $text = nl2br(htmlspecialchars(trim($element->textContent), ENT_NOQUOTES), false);

            return $element->localName === 'matemtext' ? "<em>$text</em>" : $text;
        }
        $html =
            Xml::children($element) === []
                ? $element->textContent
                : implode(
                    '',
                    array_map(
                        fn (\DOMNode $node): string => (string) $element->ownerDocument?->saveXML($node),
                        iterator_to_array($element->childNodes, false),
                    ),
                );
        $html =
            preg_match('~<~', $html) !== 1 && preg_match('/&lt;/', $html) === 1
                ? html_entity_decode($html, ENT_QUOTES | ENT_HTML5)
                : $html; // escaped twice

        return preg_match('/<(?:audio|video|object)\b/i', $html) === 1
            ? $this->recordings($html)
            : (string) preg_replace_callback(
                '/<img\b[^>]*>/i',
                fn (array $m): string => $this->shown('img', self::attributes($m[0])),
                $html,
            );
    }

    /** Markup with players in it, which have parts of their own. */
    private function recordings(string $html): string
    {
        $document = new \DOMDocument;
        $root = $document->createElement('div');
        $root->appendChild($document->importNode((new HTML5(['disable_html_ns' => true]))->loadHTMLFragment($html), true));
        foreach (MediaLinks::resolve($root, $this->medium) as [$href, $notice]) {
            $this->missing($href, $notice);
        }

        $written = fn (\DOMNode $node): string => (string) $document->saveXML($node);

        return implode('', array_map($written, iterator_to_array($root->childNodes)));
    }

    /** @param  array<string, string>  $attributes  of the element, with `src` */
    private function shown(string $name, array $attributes): string
    {
        $href = $attributes['src'] ?? '';
        $medium = $href === '' ? null : ($this->medium)($href);
        if (! ($medium instanceof Medium)) {
            $this->missing($href, $medium);

            return '';
        }
        $written = '';
        foreach (['data-media' => $medium->id, ...array_diff_key($attributes, ['src' => 1])] as $attribute => $value) {
            $written .= " $attribute=\"".htmlspecialchars($value).'"';
        }

        return $name === 'img' ? "<img$written/>" : "<$name$written></$name>";
    }

    private function missing(string $href, ?Notice $notice): void
    {
        if ($href === '') {
            return;
        }
        $this->notices[] =
            $notice?->about($this->question) ??
            Notice::loss(
                'media.missing',
                Message::of('interchange.qti12.file-not-in-package', ['href' => $href]),
                $this->file,
                null,
                $this->question,
            );
    }

    private function left(string $what): string
    {
        $this->notices[] = Notice::loss(
            'qti12.material',
            Message::of('interchange.qti12.something-neither-words-nor', ['what' => $what]),
            $this->file,
            null,
            $this->question,
        );

        return '';
    }

    private static function block(string $html, string $name): string
    {
        return $html === '' || $name === 'altmaterial' || preg_match('~^\s*<(?:p|div|ul|ol|table|h\d|blockquote|pre)\b~i', $html) === 1
            ? $html
            : "<p>$html</p>";
    }

    /** @return array<string, string> those of a picture that are ours to keep */
    private static function attributes(string $tag): array
    {
        preg_match_all('/\s(src|alt|width|height|data-view)\s*=\s*(?:"([^"]*)"|\'([^\']*)\')/i', $tag, $found, PREG_SET_ORDER);
        $attributes = [];
        foreach ($found as $one) {
            $value = ($one[2] ?? '') !== '' ? $one[2] : $one[3] ?? '';
            $attributes[strtolower($one[1])] ??= html_entity_decode($value, ENT_QUOTES | ENT_HTML5);
        }

        return $attributes;
    }
}
