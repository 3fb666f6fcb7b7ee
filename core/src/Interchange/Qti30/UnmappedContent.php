<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti30;

use WideQuarry\Interchange\Notice;
use WideQuarry\Messages\Message;

/** Reports what an item contains that a question has no place for. */
final class UnmappedContent
{
    private const READ = [
        'qti-response-declaration',
        'qti-outcome-declaration',
        'qti-template-declaration',
        'qti-template-processing',
        'qti-assessment-stimulus-ref',
        'qti-item-body',
        'qti-response-processing',
        'qti-modal-feedback',
        'qti-context-declaration',
    ];

    /** Elements whose loss is told in a message of its own. */
    private const NAMED = [
        'qti-stylesheet' => 'style-sheet-left-out',
        'qti-catalog-info' => 'catalogue-left-out',
        'qti-companion-materials-info' => 'tools-left-out',
    ];

    /** @return list<Notice> */
    public static function in(\DOMElement $item, string $file, string $question): array
    {
        $notices = [];
        $tell = function (string $code, string $sentence, \DOMElement $at) use (&$notices, $file, $question): void {
            $notices[$code.$sentence] ??= Notice::loss($code, $sentence, $file, $at->getLineNo(), $question);
        };
        foreach (Xml::children($item) as $child) {
            $name = (string) $child->localName;
            if (
                in_array($name, self::READ, true) ||
                ($name === 'qti-companion-materials-info' && ! CompanionMaterials::hasMore($child))
            ) {
                continue;
            }
            if (isset(self::NAMED[$name])) {
                $tell('qti.left_out', Message::of('interchange.qti30.'.self::NAMED[$name]), $child);
            } else {
                $tell(
                    'qti.unknown_element',
                    Message::of('interchange.qti30.something-standard-does-not-know', [
                        'name' => mb_strimwidth($child->nodeName, 0, 80, '…'),
                    ]),
                    $child,
                );
            }
        }
        $body = Xml::child($item, 'qti-item-body');
        foreach ($body === null ? [] : Xml::all($body) as $element) {
            if (
                $element->getAttribute('fixed') === 'true' &&
                self::isMixed($element) &&
                ! self::isWholeSet($element) &&
                ! in_array($element->parentNode?->localName, ['qti-choice-interaction', 'qti-order-interaction'], true)
            ) {
                $tell('qti.fixed', Message::of('interchange.qti30.some-items-fixed-place'), $element);
            } elseif (
                $element->localName === 'qti-match-interaction' &&
                $element->getAttribute('shuffle') === 'true' &&
                ! str_contains($element->getAttribute('class'), 'qti-match-tabular') &&
                ! self::stays(Xml::children($element, 'qti-simple-match-set')[0] ?? null)
            ) {
                $notices['rows'] ??= Notice::note(
                    'qti.shuffle_rows',
                    Message::of('interchange.qti30.source-shuffles-both-sides'),
                    $file,
                    $element->getLineNo(),
                    $question,
                );
            }
        }

        return array_values($notices);
    }

    /** Whether every choice of a set is fixed, so that only the other side is shuffled. */
    private static function stays(?\DOMElement $set): bool
    {
        $choices = $set === null ? [] : Xml::children($set, 'qti-simple-associable-choice');

        return $choices !== [] &&
            array_filter($choices, fn (\DOMElement $choice): bool => $choice->getAttribute('fixed') !== 'true') === [];
    }

    private static function isWholeSet(\DOMElement $choice): bool
    {
        return $choice->parentNode instanceof \DOMElement &&
            $choice->parentNode->localName === 'qti-simple-match-set' &&
            self::stays($choice->parentNode);
    }

    private static function isMixed(\DOMElement $choice): bool
    {
        for ($at = $choice->parentNode; $at instanceof \DOMElement; $at = $at->parentNode) {
            if (str_ends_with((string) $at->localName, '-interaction')) {
                return $at->getAttribute('shuffle') === 'true';
            }
        }

        return false;
    }
}
