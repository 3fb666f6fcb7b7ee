<?php

declare(strict_types=1);

namespace WideQuarry\Interchange;

/**
 * Learning object metadata (IEEE 1484.12.1) of a resource in a manifest: title, language, keywords, author, difficulty, time, rights,
 * topics and standards. Namespaces and binding differ from package to package, so elements are told by their names alone.
 */
final class Lom
{
    /** The vocabulary of 5.8 Difficulty, from 1 to 5. */
    private const DIFFICULTY = [1 => 'very easy', 2 => 'easy', 3 => 'medium', 4 => 'difficult', 5 => 'very difficult'];

    private const FIELDS = 100;

    public string $title = '';

    /** As 1.3 General.Language says, "" when it does not. */
    public string $language = '';

    /** Fields of the record that the metadata says. */
    public \stdClass $record;

    /** @var array<string, string> what has no place in a record: path of names → text */
    public array $fields = [];

    private function __construct()
    {
        $this->record = new \stdClass();
    }

    public static function read(?\DOMElement $metadata): self
    {
        $lom = new self();
        if ($metadata !== null) {
            foreach ($metadata->childNodes as $child) {
                if ($child instanceof \DOMElement) {
                    $lom->element($child, '');
                }
            }
        }

        return $lom;
    }

    /** @param  \stdClass  $record of a question or stimulus */
    public static function write(string $title, \stdClass $record, string $language = ''): string
    {
        $text = fn (string $name, mixed $value): string => is_string($value) && $value !== ''
            ? "<$name><string>".self::escape($value)."</string></$name>"
            : '';
        $keywords = implode(
            '',
            array_map(fn (mixed $tag): string => $text('keyword', $tag), is_array($record->tags ?? null) ? $record->tags : []),
        );
        $difficulty = self::DIFFICULTY[is_int($record->difficulty ?? null) ? $record->difficulty : 0] ?? null;
        $minutes = $record->minutes ?? null;
        $general = $text('title', $title).($language === '' || $language === 'und' ? '' : "<language>$language</language>").$keywords;
        $author =
            is_string($record->author ?? null) && $record->author !== ''
                ? '<contribute><role><source>LOMv1.0</source><value>author</value></role><entity>'.
                    self::escape(VCard::write($record->author)).
                    '</entity></contribute>'
                : '';
        $educational =
            ($difficulty === null ? '' : "<difficulty><source>LOMv1.0</source><value>$difficulty</value></difficulty>").
            (is_int($minutes) || is_float($minutes)
                ? '<typicalLearningTime><duration>PT'.(int) round($minutes * 60).'S</duration></typicalLearningTime>'
                : '');
        $rights = $text('description', $record->licence ?? null);
        $inner =
            implode(
                '',
                array_map(
                    fn (string $name, string $in): string => $in === '' ? '' : "<$name>$in</$name>",
                    ['general', 'lifeCycle', 'educational', 'rights'],
                    [$general, $author, $educational, $rights],
                ),
            ).LomClassification::write($record);

        $standards = CurriculumStandards::write($record->standards ?? []);

        return $inner === '' ? '' : "<metadata><lom xmlns=\"http://ltsc.ieee.org/xsd/LOM\">$inner</lom>$standards</metadata>";
    }

    private function element(\DOMElement $element, string $path): void
    {
        if ($element->localName === 'curriculumStandardsMetadata' && CurriculumStandards::read($element, $this->record)) {
            return;
        }
        $path .= ($path === '' ? '' : '.').$element->localName;
        if ($path === 'lom.classification' && LomClassification::read($element, $this->record)) {
            return;
        }
        if (strtolower($path) === 'lom.lifecycle.contribute' && $this->author($element)) {
            return;
        }
        $children = array_filter(
            iterator_to_array($element->childNodes, false),
            fn (\DOMNode $node): bool => $node instanceof \DOMElement && ! in_array($node->localName, ['string', 'langstring'], true),
        );
        foreach ($children as $child) {
            $this->element($child, $path);
        }
        $text = $children === [] ? mb_substr(trim((string) preg_replace('/\s+/u', ' ', mb_scrub($element->textContent))), 0, 500) : '';
        if ($text !== '' && ! $this->known($path, $text) && count($this->fields) < self::FIELDS) {
            $this->fields[$path] = isset($this->fields[$path]) ? mb_substr("{$this->fields[$path]}; $text", 0, 1000) : $text;
        }
    }

    /** Takes what a record has a place for. */
    private function known(string $path, string $text): bool
    {
        return match ($path) {
            'lom.general.title' => $this->title($text),
            'lom.general.language' => $this->language($text),
            'lom.general.keyword' => $this->keyword($text),
            'lom.educational.difficulty.source' => true,
            'lom.educational.difficulty.value' => $this->difficulty($text),
            'lom.educational.typicalLearningTime.duration' => $this->time($text),
            'lom.rights.description' => $this->set('licence', $text),
            default => false,
        };
    }

    private function title(string $text): bool
    {
        $first = $this->title === '';
        $this->title = $first ? $text : $this->title;

        return $first;
    }

    private function language(string $text): bool
    {
        $first = $this->language === '' && preg_match('/^[A-Za-z]{2,8}(-[A-Za-z0-9]{1,8})*$/D', $text) === 1;
        $this->language = $first ? $text : $this->language;

        return $first;
    }

    /** Who contributed as an author, and when; other roles are kept as fields. */
    private function author(\DOMElement $contribute): bool
    {
        $said = ['role' => '', 'entity' => '', 'centity' => '', 'date' => ''];
        foreach ($contribute->getElementsByTagName('*') as $child) {
            $name = strtolower((string) $child->localName);
            if (isset($said[$name])) {
                $said[$name] = trim($child->textContent);
            }
        }
        $author = VCard::name($said['entity'] !== '' ? $said['entity'] : $said['centity']);
        if (! str_ends_with(strtolower($said['role']), 'author') || $author === '' || isset($this->record->author)) {
            return false;
        }
        if ($said['date'] !== '') {
            $this->fields['lom.lifeCycle.contribute.date'] = mb_substr(mb_scrub($said['date']), 0, 500);
        }

        return $this->set('author', $author);
    }

    private function keyword(string $text): bool
    {
        $tags = is_array($this->record->tags ?? null) ? $this->record->tags : [];

        return mb_strlen($text) <= 100 && $this->set('tags', in_array($text, $tags, true) ? $tags : [...$tags, $text]);
    }

    private function difficulty(string $text): bool
    {
        $step = array_search(strtolower($text), self::DIFFICULTY, true);

        return $step !== false && $this->set('difficulty', $step);
    }

    /** An ISO 8601 duration in seconds, minutes and hours. */
    private function time(string $text): bool
    {
        if (preg_match('/^PT(?:(\d{1,3})H)?(?:(\d{1,4})M)?(?:(\d{1,6})S)?$/D', $text, $m) !== 1) {
            return false;
        }
        $minutes = round((int) ($m[1] ?? 0) * 60 + (int) ($m[2] ?? 0) + (int) ($m[3] ?? 0) / 60, 4);

        return $this->set('minutes', $minutes === floor($minutes) ? (int) $minutes : $minutes);
    }

    private function set(string $field, mixed $value): bool
    {
        $this->record->{$field} = $value;

        return true;
    }

    private static function escape(string $text): string
    {
        return htmlspecialchars($text, ENT_XML1 | ENT_QUOTES, 'UTF-8');
    }
}
