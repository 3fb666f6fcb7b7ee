<?php

declare(strict_types=1);

namespace WideQuarry\Interchange\Qti12;

use WideQuarry\Interchange\Qti30\Xml;
use WideQuarry\Standards\Alignment;

/** What is said of an item: by the names the standard has for it (qmd_…), and whatever else, kept as it came. */
final readonly class Metadata
{
    private const DIFFICULTY = [
        'very easy' => 1,
        'easy' => 2,
        'medium' => 3,
        'moderate' => 3,
        'difficult' => 4,
        'hard' => 4,
        'very difficult' => 5,
        'very hard' => 5,
        '1' => 1,
        '2' => 2,
        '3' => 3,
        '4' => 4,
        '5' => 5,
    ];

    private const MOST = 100;

    /** The label of a field that names a standard; QTI 1.2.1 leaves labels to those who use them. */
    public const STANDARD = 'curriculum_standard';

    /** "Framework: code", and the identifier of CASE in brackets where there is one. */
    private const ENTRY = '/^(?<framework>.{1,500}): (?<code>.{1,200}?)(?: \[(?<id>[0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})\])?$/uD';

    public static function standardEntry(Alignment $one): string
    {
        return "$one->framework: $one->code".($one->statement === null ? '' : " [$one->statement]");
    }

    /** @param  array<string, string>  $fields  what has no place in a record */
    private function __construct(public \stdClass $record, public array $fields, public string $language)
    {
    }

    public static function of(\DOMElement $item): self
    {
        $record = new \stdClass();
        $fields = [];
        $given = [];
        foreach (Xml::all($item, 'qtimetadatafield') as $field) {
            $given[] = [
                trim((string) Xml::child($field, 'fieldlabel')?->textContent),
                trim((string) Xml::child($field, 'fieldentry')?->textContent),
            ];
        }
        foreach (Xml::child($item, 'itemmetadata')?->getElementsByTagName('*') ?? [] as $field) {
            if (str_starts_with((string) $field->localName, 'qmd_')) {
                $given[] = [(string) $field->localName, trim($field->textContent)];
            }
        }
        foreach ($given as [$label, $entry]) {
            if ($label !== '' && $entry !== '' && ! self::known($record, strtolower($label), $entry) && count($fields) < self::MOST) {
                $fields[mb_substr($label, 0, 200)] = mb_substr($entry, 0, 1000);
            }
        }
        $language = $item->getAttributeNS('http://www.w3.org/XML/1998/namespace', 'lang');

        return new self($record, $fields, preg_match('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $language) === 1 ? $language : 'und');
    }

    private static function known(\stdClass $record, string $label, string $entry): bool
    {
        $difficulty = self::DIFFICULTY[strtolower($entry)] ?? null;
        if ($label === 'qmd_levelofdifficulty' && $difficulty !== null) {
            $record->difficulty = $difficulty;
        } elseif (in_array($label, ['qmd_topic', 'cc_question_category'], true) && mb_strlen($entry) <= 200) {
            $record->topics = [
                array_values(array_filter(array_map(trim(...), explode(' > ', $entry)), fn (string $step): bool => $step !== '')),
            ];
        } elseif ($label === 'qmd_keywords') {
            $record->tags = array_slice(
                array_values(
                    array_unique(
                        array_filter(
                            array_map(trim(...), preg_split('/[,;]/', $entry) ?: []),
                            fn (string $tag): bool => $tag !== '' && mb_strlen($tag) <= 100,
                        ),
                    ),
                ),
                0,
                100,
            );
        } elseif ($label === self::STANDARD) {
            return self::standard($record, $entry);
        } elseif ($label === 'qmd_author' && mb_strlen($entry) <= 1000) {
            $record->author = $entry;
        } else {
            return false;
        }

        return true;
    }

    private static function standard(\stdClass $record, string $entry): bool
    {
        $standards = is_array($record->standards ?? null) ? $record->standards : [];
        if (preg_match(self::ENTRY, $entry, $m) !== 1 || count($standards) >= Alignment::MOST) {
            return false;
        }
        $statement = isset($m['id']) ? ['statement' => $m['id']] : [];
        $record->standards = [...$standards, (object) ['framework' => $m['framework'], 'code' => $m['code'], ...$statement]];

        return true;
    }
}
