<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Qti30\Xml;

/** Where a document falls into parts: its assessments, sections and banks, and the items that stand in none of them. */
final class Division
{
    public const GROUPS = ['assessment' => 'quiz', 'section' => 'section', 'objectbank' => 'pool'];

    /** @return iterable<string, \DOMElement> id of the part → what belongs to it, in the order of the document; ids come again */
    public static function of(\DOMElement $root, string $file): iterable
    {
        $groups = 0;
        foreach (Xml::children($root) as $child) {
            if (isset(self::GROUPS[(string) $child->localName])) {
                yield "$file#".++$groups => $child;
            } else {
                yield "$file#0" => $child;
            }
        }
    }

    /** What an assessment, section or bank is called. A bank has no title of its own in this version, only in its metadata. */
    public static function title(\DOMElement $group): string
    {
        $title = $group->getAttribute('title');
        foreach ($title !== '' ? [] : Xml::children(Xml::child($group, 'qtimetadata') ?? $group, 'qtimetadatafield') as $field) {
            if (preg_match('/title|name/i', Xml::child($field, 'fieldlabel')->textContent ?? '') === 1) {
                $title = Xml::child($field, 'fieldentry')->textContent ?? '';

                break;
            }
        }

        return mb_substr(trim((string) preg_replace('/\s+/u', ' ', $title)), 0, 500);
    }
}
