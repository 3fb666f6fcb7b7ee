<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/**
 * Classification of learning object metadata (IEEE 1484.12.1, 9): a path of taxa is a topic where it says what a resource is about,
 * and a standard by its code where it says what is to be learnt.
 */
final class LomClassification
{
    private const TOPICS = ['discipline', 'idea', 'subject', 'topic', 'unit'];

    private const STANDARDS = ['educational objective', 'competency', 'skill level', 'educational level', 'curriculum', 'standard'];

    /** An identifier of CASE, beside which the entry is the code. */
    private const UUID = '/^[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/iD';

    /** @return bool whether all of it has a place in the record */
    public static function read(\DOMElement $classification, \stdClass $record): bool
    {
        $purpose = '';
        $paths = [];
        foreach (self::children($classification) as $child) {
            $name = strtolower((string) $child->localName);
            if ($name === 'purpose') {
                $value =
                    array_values(array_filter(self::children($child), fn (\DOMElement $one): bool => $one->localName === 'value'))[0] ??
                    $child;
                $purpose = strtolower(self::text($value));
            } elseif ($name === 'taxonpath') {
                $paths[] = $child;
            } else {
                return false;
            }
        }
        $isTopic = in_array($purpose, self::TOPICS, true);
        if ($paths === [] || ! ($isTopic || in_array($purpose, self::STANDARDS, true))) {
            return false;
        }
        $found = [];
        foreach ($paths as $path) {
            $one = $isTopic ? self::topic($path) : self::standard($path);
            if ($one === null) {
                return false;
            }
            $found[] = $one;
        }
        $field = $isTopic ? 'topics' : 'standards';
        $known = is_array($record->{$field} ?? null) ? $record->{$field} : [];
        if (count($known) + count($found) > 100) {
            return false;
        }
        $record->{$field} = array_values(array_unique([...$known, ...$found], SORT_REGULAR));

        return true;
    }

    public static function write(\stdClass $record): string
    {
        $string = fn (string $name, string $value): string => "<$name><string>".
            htmlspecialchars($value, ENT_XML1 | ENT_QUOTES, 'UTF-8').
            "</string></$name>";
        $about = fn (string $purpose, string $paths): string => $paths === ''
            ? ''
            : "<classification><purpose><source>LOMv1.0</source><value>$purpose</value></purpose>$paths</classification>";
        $topics = $standards = '';
        foreach (is_array($record->topics ?? null) ? $record->topics : [] as $path) {
            $steps = array_filter(is_array($path) ? $path : [], is_string(...));
            $topics .=
                '<taxonPath>'.
                implode('', array_map(fn (string $step): string => '<taxon>'.$string('entry', $step).'</taxon>', $steps)).
                '</taxonPath>';
        }
        foreach (is_array($record->standards ?? null) ? $record->standards : [] as $standard) {
            if ($standard instanceof \stdClass && is_string($standard->framework ?? null) && is_string($standard->code ?? null)) {
                $id = is_string($standard->statement ?? null) ? $standard->statement : null;
                $taxon = '<id>'.htmlspecialchars($id ?? $standard->code, ENT_XML1 | ENT_QUOTES, 'UTF-8').'</id>'.
                    ($id === null ? '' : $string('entry', $standard->code));
                $standards .= '<taxonPath>'.$string('source', $standard->framework)."<taxon>$taxon</taxon></taxonPath>";
            }
        }

        return $about('discipline', $topics).$about('educational objective', $standards);
    }

    /** @return list<string>|null titles from the root */
    private static function topic(\DOMElement $path): ?array
    {
        $titles = [];
        foreach (self::taxa($path) as $taxon) {
            $title = $taxon['entry'] !== '' ? $taxon['entry'] : $taxon['id'];
            if ($title === '' || mb_strlen($title) > 200) {
                return null;
            }
            $titles[] = $title;
        }

        return $titles === [] || count($titles) > 20 ? null : $titles;
    }

    private static function standard(\DOMElement $path): ?\stdClass
    {
        $framework = '';
        foreach (self::children($path) as $child) {
            $framework = $child->localName === 'source' ? self::text($child) : $framework;
        }
        $taxa = self::taxa($path);
        $last = $taxa === [] ? ['id' => '', 'entry' => ''] : end($taxa);
        $statement = preg_match(self::UUID, $last['id']) === 1 ? strtolower($last['id']) : null;
        $code = $last['id'] !== '' && ($statement === null || $last['entry'] === '') ? $last['id'] : $last['entry'];

        return $framework === '' || $code === '' || mb_strlen($framework.$code) > 400
            ? null
            : (object) ['framework' => $framework, 'code' => $code, ...$statement === null ? [] : ['statement' => $statement]];
    }

    /** @return list<array{id: string, entry: string}> the older binding nests them */
    private static function taxa(\DOMElement $path): array
    {
        $taxa = [];
        foreach ($path->getElementsByTagName('*') as $taxon) {
            if ($taxon->localName !== 'taxon') {
                continue;
            }
            $said = ['id' => '', 'entry' => ''];
            foreach (self::children($taxon) as $child) {
                if (isset($said[(string) $child->localName])) {
                    $said[(string) $child->localName] = self::text($child);
                }
            }
            $taxa[] = $said;
        }

        return $taxa;
    }

    private static function text(\DOMElement $element): string
    {
        return trim((string) preg_replace('/\s+/u', ' ', mb_scrub($element->textContent)));
    }

    /** @return list<\DOMElement> */
    private static function children(\DOMElement $element): array
    {
        return array_values(
            array_filter(iterator_to_array($element->childNodes, false), fn (\DOMNode $node): bool => $node instanceof \DOMElement),
        );
    }
}
