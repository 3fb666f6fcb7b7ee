<?php

declare(strict_types=1);

namespace WideQuarry\Parts\Highlight;

use WideQuarry\Content\Pieces;
use WideQuarry\Interchange\Plain\PlainPart;
use WideQuarry\Interchange\Qti30\Declaration;
use WideQuarry\Interchange\Qti30\Identifiers;
use WideQuarry\Interchange\Qti30\KindMapping;
use WideQuarry\Interchange\Qti30\MappingDefaults;
use WideQuarry\Interchange\Qti30\Marking;
use WideQuarry\Interchange\Qti30\PickReader;
use WideQuarry\Interchange\Qti30\PickWriter;
use WideQuarry\Interchange\Qti30\WriteContext;
use WideQuarry\Interchange\Qti30\WrittenPart;
use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Messages\Message;
use WideQuarry\Question\Part;

/** qti-hottext-interaction. */
final class HighlightMapping implements KindMapping
{
    use MappingDefaults;

    /** Where the text is kept once its elements were taken out of the item. */
    private const READ = 'data-text-read';

    public function choices(\stdClass $settings, array $gaps): array
    {
        preg_match_all('/data-piece="([^"]+)"/', is_string($settings->text ?? null) ? $settings->text : '', $m);

        return [array_map(fn (string $id): string => html_entity_decode($id, ENT_QUOTES | ENT_HTML5), $m[1]), []];
    }

    public function on(string $value): string
    {
        return $value;
    }

    public function takes(\DOMElement $interaction, ?Declaration $declaration): bool
    {
        return $interaction->localName === 'qti-hottext-interaction' &&
            ($declaration === null || in_array($declaration->cardinality, ['single', 'multiple'], true));
    }

    public function read(\DOMElement $interaction, ?Declaration $declaration, ?Marking $marking, \Closure $content): ?\stdClass
    {
        if (! $interaction->hasAttribute(self::READ)) {
            foreach (iterator_to_array($interaction->getElementsByTagNameNS('*', 'qti-hottext'), false) as $piece) {
                self::renamed($piece, 'span', 'data-piece', $piece->getAttribute('identifier'));
            }
            $prompt = Xml::child($interaction, 'qti-prompt');
            if ($prompt !== null) {
                $interaction->removeChild($prompt);
            }
            $interaction->setAttribute(self::READ, $content($interaction));
            while ($interaction->firstChild !== null) {
                $interaction->removeChild($interaction->firstChild); // it is the part's own text, not the question's
            }
            if ($prompt !== null) {
                $interaction->appendChild($prompt);
            }
        }
        $max = (int) (Xml::attribute($interaction, 'max-choices') ?? 1);
        $single = $declaration?->cardinality !== 'multiple';
        $settings = [
            'text' => $interaction->getAttribute(self::READ),
            'min' => max(0, (int) $interaction->getAttribute('min-choices')),
            'max' => $single ? 1 : ($max > 0 ? $max : null),
        ];

        return (new PickReader)->part('highlight', $settings, $declaration, $marking);
    }

    public function plain(Part $part, WriteContext $in): PlainPart
    {
        $settings = $part->settings;
        assert($settings instanceof HighlightSettings);

        return PlainPart::picks(
            array_map(
                fn (array $piece): array => ['id' => $piece['id'], 'html' => Xml::escape($piece['words'])],
                Pieces::of($settings->text),
            ),
            $settings->max,
            false,
            false,
            (string) preg_replace('~<span data-piece="[^"]*">(.*?)</span>~s', '$1', $settings->text),
            [['highlight.list', Message::of('parts.highlight.words-pick-listed-below')]],
        );
    }

    public function write(Part $part, string $response, WriteContext $in, \Closure $content): WrittenPart
    {
        $settings = $part->settings;
        assert($settings instanceof HighlightSettings);
        $writer = new PickWriter($part, array_column(Pieces::of($settings->text), 'id'), $settings->max);
        $document = new \DOMDocument;
        $document->loadXML('<text>'.$content($settings->text).'</text>', LIBXML_NONET);
        foreach (iterator_to_array($document->getElementsByTagName('span'), false) as $span) {
            if ($span->hasAttribute('data-piece')) {
                self::renamed($span, 'qti-hottext', 'identifier', Identifiers::of($span->getAttribute('data-piece')));
            }
        }
        $text = implode(
            '',
            array_map(
                fn (\DOMNode $node): string => (string) $document->saveXML($node),
                iterator_to_array($document->documentElement->childNodes ?? new \ArrayIterator, false),
            ),
        );
        $block = preg_match('/^\s*<(?:p|ul|ol|div|table|h[1-6]|blockquote|pre)\b/', $text) === 1 ? $text : "<p>$text</p>";

        return $writer->write(
            $response,
            "<qti-hottext-interaction response-identifier=\"$response\" max-choices=\"".
                ($settings->max ?? 0).
                "\" min-choices=\"$settings->min\">$block</qti-hottext-interaction>",
        );
    }

    private static function renamed(\DOMElement $old, string $name, string $attribute, string $value): void
    {
        $new = ($old->ownerDocument ?? new \DOMDocument)->createElement($name);
        $new->setAttribute($attribute, $value);
        while ($old->firstChild !== null) {
            $new->appendChild($old->firstChild);
        }
        $old->parentNode?->replaceChild($new, $old);
    }
}
