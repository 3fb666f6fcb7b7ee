<?php

declare(strict_types=1);

namespace WideQuarry\Media;

use WideQuarry\Messages\Message;

/**
 * A drawing (SVG 2) built anew from what the allow-list names: no script, event, foreign object, animation, outside reference, nor style
 * that loads. What the eye does not miss (metadata, editors' own notes) goes without a word; the rest is told in `dropped`.
 */
final class Svg
{
    private const NAMESPACE = 'http://www.w3.org/2000/svg';

    private const DEPTH = 200;

    public int $width = 0;

    public int $height = 0;

    public string $bytes = '';

    /** @var list<string> names of elements and attributes that were left out */
    public array $dropped = [];

    private int $elements = 0;

    private function __construct(private readonly \DOMDocument $clean)
    {
    }

    /** @throws UnusableMedium */
    public static function clean(string $bytes): self
    {
        $root = self::parse($bytes);
        $svg = new self(new \DOMDocument('1.0', 'UTF-8'));
        $drawn = $svg->element($root, 0);
        if ($drawn === null) {
            throw new UnusableMedium('media.damaged', Message::of('media.damaged'));
        }
        $svg->clean->appendChild($drawn);
        SvgRepeats::allow($drawn);
        $svg->measure($drawn);
        $svg->bytes = (string) $svg->clean->saveXML($drawn);
        $svg->dropped = array_values(array_unique($svg->dropped));

        return $svg;
    }

    /** @throws UnusableMedium */
    private static function parse(string $bytes): \DOMElement
    {
        $text = (string) preg_replace('/^\xEF\xBB\xBF/', '', $bytes);
        $text = (string) preg_replace('/<!DOCTYPE[^\[>]{0,1000}>/i', '', $text, 1);
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw self::broken(Message::of('media.not-utf8'));
        }
        if (preg_match('/<!(?:DOCTYPE|ENTITY)/i', $text) === 1) {
            throw self::broken('DOCTYPE');
        }
        $document = new \DOMDocument;
        $before = libxml_use_internal_errors(true);
        $loaded = $document->loadXML($text, LIBXML_NONET | LIBXML_COMPACT | LIBXML_NOCDATA);
        $error = libxml_get_last_error();
        libxml_clear_errors();
        libxml_use_internal_errors($before);
        $root = $loaded ? $document->documentElement : null;
        if ($root === null) {
            throw self::broken($error === false ? '' : rtrim(trim($error->message), '.'));
        }

        return strtolower((string) $root->localName) === 'svg' && in_array($root->namespaceURI, [self::NAMESPACE, null], true)
            ? $root
            : throw self::broken((string) $root->localName);
    }

    private static function broken(string $why): UnusableMedium
    {
        return new UnusableMedium('media.svg', Message::of('media.svg-broken', ['why' => mb_strimwidth(mb_scrub($why), 0, 200, '…')]));
    }

    private function element(\DOMElement $source, int $depth): ?\DOMElement
    {
        $name = $source->localName === 'a' ? 'g' : (string) $source->localName; // a link that leads nowhere is a group
        $isDrawing = in_array($source->namespaceURI, [self::NAMESPACE, null], true);
        if (! $isDrawing || ! isset(SvgAllowList::ELEMENTS[$name]) || $depth > self::DEPTH) {
            if ($isDrawing && ! isset(SvgAllowList::UNSEEN[$name])) {
                $this->dropped[] = mb_strimwidth($name, 0, 60);
            }

            return null;
        }
        if (++$this->elements > MediaLimits::ELEMENTS) {
            throw new UnusableMedium('media.svg', Message::of('media.svg-large', ['most' => MediaLimits::ELEMENTS]));
        }
        $element = $this->clean->createElementNS(self::NAMESPACE, $name);
        $this->attributes($source, $element, $name);
        if ($name === 'style') {
            $css = SvgAllowList::css($source->textContent);
            if ($css === null) {
                $this->dropped[] = 'style';

                return null;
            }
            $element->appendChild($this->clean->createTextNode($css));

            return $element;
        }
        $this->children($source, $element, $depth);

        return $element;
    }

    private function attributes(\DOMElement $source, \DOMElement $element, string $name): void
    {
        foreach ($source->attributes as $attribute) {
            $value = SvgAllowList::value($name, $attribute);
            if ($value !== null) {
                $element->setAttribute((string) $attribute->localName, $value);
            } elseif (SvgAllowList::isMissed($attribute)) {
                $this->dropped[] = mb_strimwidth($attribute->nodeName, 0, 60);
            }
        }
    }

    private function children(\DOMElement $source, \DOMElement $element, int $depth): void
    {
        foreach ($source->childNodes as $child) {
            $kept = match (true) {
                $child instanceof \DOMText => $this->clean->createTextNode($child->data),
                $child instanceof \DOMElement => $this->element($child, $depth + 1),
                default => null,
            };
            if ($kept !== null) {
                $element->appendChild($kept);
            }
        }
    }

    /** Its size in CSS pixels: as it says, or as its view box does; a drawing that says neither is shown 300 × 150 (CSS 2.2, 10.3.2). */
    private function measure(\DOMElement $root): void
    {
        $box = preg_split('/[\s,]+/', trim($root->getAttribute('viewBox'))) ?: [];
        $box = count($box) === 4 && is_numeric($box[2]) && is_numeric($box[3]) && $box[2] > 0 && $box[3] > 0 ? $box : null;
        $width = self::length($root->getAttribute('width'));
        $height = self::length($root->getAttribute('height'));
        $ratio = $box === null ? 0.5 : (float) $box[3] / (float) $box[2];
        if ($width === null && $height === null) {
            [$width, $height] = $box === null ? [300.0, 150.0] : [(float) $box[2], (float) $box[3]];
        }
        $width ??= $height / $ratio;
        $height ??= $width * $ratio;
        $this->width = (int) max(1, min(MediaLimits::SIDE, round($width)));
        $this->height = (int) max(1, min(MediaLimits::SIDE, round($height)));
        if ($box === null) {
            $root->setAttribute('viewBox', "0 0 $this->width $this->height"); // so that it can be shown at every size
        }
    }

    private static function length(string $text): ?float
    {
        $units = ['' => 1, 'px' => 1, 'pt' => 4 / 3, 'pc' => 16, 'mm' => 96 / 25.4, 'cm' => 96 / 2.54, 'in' => 96];

        return preg_match('/^\s*(\d{1,7}(?:\.\d{1,9})?)\s*(px|pt|pc|mm|cm|in)?\s*$/D', $text, $m) === 1 && (float) $m[1] > 0
            ? (float) $m[1] * $units[$m[2] ?? '']
            : null;
    }
}
