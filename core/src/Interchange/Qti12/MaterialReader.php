<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Medium;
use WideQuarry\Interchange\Notice;
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
                'matimage' => $this->image($child->getAttribute('uri'), $child->getAttribute('label')),
                'mataudio', 'matvideo', 'matapplet', 'matapplication' => $this->left((string) $child->localName),
                'material', 'flow', 'flow_mat', 'flow_label', 'altmaterial' => self::block(
                    $this->inside($child),
                    (string) $child->localName,
                ),
                default => '',
            };
        }

        return $html;
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

        return (string) preg_replace_callback(
            '/<img\b[^>]*>/i',
            fn (array $m): string => $this->image(self::attribute($m[0], 'src'), self::attribute($m[0], 'alt')),
            $html,
        );
    }

    private function image(string $href, string $alt): string
    {
        $medium = $href === '' ? null : ($this->medium)($href);
        if (! ($medium instanceof Medium)) {
            if ($href !== '') {
                $this->notices[] =
                    $medium?->about($this->question) ??
                    Notice::loss(
                        'media.missing',
                        Message::of('interchange.qti12.file-not-in-package', ['href' => $href]),
                        $this->file,
                        null,
                        $this->question,
                    );
            }

            return '';
        }

        return '<img data-media="'.htmlspecialchars($medium->id).'" alt="'.htmlspecialchars($alt).'">';
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

    private static function attribute(string $tag, string $name): string
    {
        return preg_match('/\b'.$name.'\s*=\s*(?:"([^"]*)"|\'([^\']*)\')/i', $tag, $m) === 1
            ? html_entity_decode($m[1] !== '' ? $m[1] : $m[2] ?? '', ENT_QUOTES | ENT_HTML5)
            : '';
    }
}
