<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

/** Keeps the choices of an unsupported interaction as a list, for whoever marks it. */
final class UnreadInteraction
{
    private const CHOICES = '/^qti-(?:simple-associable-choice|simple-choice|inline-choice|gap-text|gap-img|associable-hotspot|hotspot-choice)$/';

    /** @return \DOMElement|null null when it has no choices with text */
    public static function choices(\DOMElement $interaction): ?\DOMElement
    {
        $document = $interaction->ownerDocument ?? new \DOMDocument;
        $list = $document->createElement('ul');
        foreach (Xml::all($interaction) as $choice) {
            if (
                preg_match(self::CHOICES, (string) $choice->localName) !== 1 ||
                (trim($choice->textContent) === '' && Xml::children($choice) === [])
            ) {
                continue;
            }
            $entry = $document->createElement('li');
            while ($choice->firstChild !== null) {
                $entry->appendChild($choice->firstChild);
            }
            $list->appendChild($entry);
        }

        return $list->hasChildNodes() ? $list : null;
    }
}
