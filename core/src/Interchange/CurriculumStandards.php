<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/** Curriculum standards metadata of 1EdTech (CSM 1.0), as QTI 3.0 has it in a manifest: each labelled identifier is a standard. */
final class CurriculumStandards
{
    private const NAMESPACE = 'http://www.imsglobal.org/xsd/imscsmd_v1p0';

    private const MOST = 100;

    /** An identifier of CASE, alone or as the last step of an address. */
    private const UUID = '~(?:^|/|:)([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$~iD';

    /** @return bool whether all of it has a place in the record */
    public static function read(\DOMElement $metadata, \stdClass $record): bool
    {
        $framework = mb_substr(trim($metadata->getAttribute('providerId')), 0, 500);
        $found = [];
        foreach ($metadata->getElementsByTagName('*') as $set) {
            if ($set->localName === 'labelledGUID') {
                $found[] = self::standard($set, $framework);
            }
        }
        $found = array_filter($found);
        $known = is_array($record->standards ?? null) ? $record->standards : [];
        if ($found === [] || count($known) + count($found) > self::MOST) {
            return false;
        }
        $record->standards = array_values(array_unique([...$known, ...$found], SORT_REGULAR));

        return true;
    }

    private static function standard(\DOMElement $labelled, string $framework): ?\stdClass
    {
        $said = ['label' => '', 'GUID' => '', 'caseItemURI' => ''];
        foreach ($labelled->childNodes as $child) {
            if ($child instanceof \DOMElement && isset($said[(string) $child->localName])) {
                $said[(string) $child->localName] = mb_substr(trim(mb_scrub($child->textContent)), 0, 500);
            }
        }
        $code = array_values(array_filter($said, fn (string $text): bool => $text !== ''))[0] ?? null;
        $isCase = preg_match(self::UUID, $said['GUID'], $m) === 1 || preg_match(self::UUID, $said['caseItemURI'], $m) === 1;
        $statement = $isCase ? ['statement' => strtolower($m[1])] : [];

        return $code === null ? null : (object) ['framework' => $framework, 'code' => $code, ...$statement];
    }

    /**
     * As QTI 3.0 and cartridges of 1.3 have it: a set for each framework.
     *
     * @param  mixed  $standards  of a record
     */
    public static function write(mixed $standards): string
    {
        $escape = fn (string $text): string => htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
        $sets = [];
        foreach (is_array($standards) ? $standards : [] as $one) {
            $id = $one instanceof \stdClass && is_string($one->statement ?? null) ? $one->statement : null;
            if ($id !== null && is_string($one->framework ?? null) && is_string($one->code ?? null)) {
                $sets[$one->framework][] =
                    '<labelledGUID><label>'.$escape($one->code).'</label><GUID>'.$id.'</GUID></labelledGUID>';
            }
        }
        $metadata = '';
        foreach ($sets as $framework => $labels) {
            $metadata .=
                '<curriculumStandardsMetadata providerId="'.$escape((string) $framework).'"><setOfGUIDs>'.
                implode('', $labels).
                '</setOfGUIDs></curriculumStandardsMetadata>';
        }

        return $metadata === ''
            ? ''
            : '<curriculumStandardsMetadataSet xmlns="'.self::NAMESPACE."\">$metadata</curriculumStandardsMetadataSet>";
    }
}
