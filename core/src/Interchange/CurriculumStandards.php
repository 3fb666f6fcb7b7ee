<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Curriculum standards metadata of 1EdTech (CSM 1.0), as QTI 3.0 has it in a manifest: each labelled identifier is a standard. */
final class CurriculumStandards
{
    private const MOST = 100;

    /** @return bool whether all of it has a place in the record */
    public static function read(\DOMElement $metadata, \stdClass $record): bool
    {
        $framework = trim($metadata->getAttribute('providerId'));
        $found = [];
        foreach ($metadata->getElementsByTagName('*') as $set) {
            if ($set->localName !== 'labelledGUID') {
                continue;
            }
            $said = ['label' => '', 'GUID' => '', 'caseItemURI' => ''];
            foreach ($set->childNodes as $child) {
                if ($child instanceof \DOMElement && isset($said[(string) $child->localName])) {
                    $said[(string) $child->localName] = mb_substr(trim(mb_scrub($child->textContent)), 0, 500);
                }
            }
            $code = $said['label'] !== '' ? $said['label'] : ($said['GUID'] !== '' ? $said['GUID'] : $said['caseItemURI']);
            if ($code === '') {
                return false;
            }
            $found[] = (object) ['framework' => mb_substr($framework, 0, 500), 'code' => $code];
        }
        $known = is_array($record->standards ?? null) ? $record->standards : [];
        if ($found === [] || count($known) + count($found) > self::MOST) {
            return false;
        }
        $record->standards = array_values(array_unique([...$known, ...$found], SORT_REGULAR));

        return true;
    }
}
